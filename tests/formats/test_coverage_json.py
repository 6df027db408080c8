"""The largest of very many boxes are written, and the others counted; dead ends tell the exit status all the same."""

import json

import pytest
from bench.coverage import DAY, shop

from monedero.core.checkout.coverage.answer import coverage
from monedero.figures import reference_rates
from monedero.formats import coverage_json
from monedero.formats.coverage_json import box_of
from monedero.work.checkout.coverage import coverage_report
from monedero.work.checkout.examined import Asked, looked_into, space_of


def test_the_largest_boxes_stand_and_the_rest_is_counted(monkeypatch: pytest.MonkeyPatch) -> None:
    file, other = shop(12, 8), shop(6, 8)
    space = space_of(file, DAY)
    found = coverage(looked_into(file.decision(reference_rates.bundled()), space, Asked(DAY), {}))
    whole = coverage_report(file, Asked(DAY), other)
    assert whole["left_out"] == {}
    boxes = [json.dumps(box) for each in whole["offered"] for box in each["boxes"]]
    most = 5
    assert len(boxes) > most
    monkeypatch.setattr(coverage_json, "MOST_BOXES", most)
    cut = coverage_report(file, Asked(DAY), other)
    kept = [json.dumps(box) for each in cut["offered"] for box in each["boxes"]]
    assert len(kept) == most
    assert set(kept) <= set(boxes)
    assert cut["left_out"]["offered"] == len(boxes) - most
    sizes = {json.dumps(box_of(region, box)): box.size for each in found.offered for region, box in each.boxes}
    assert sorted(sizes[box] for box in kept) == sorted(sizes.values())[-most:]
    for name in ("dead_ends", "single_tenders", "fee_only"):
        assert len(cut[name]) + cut["left_out"].get(name, 0) == len(whole[name])
    for name in ("gained", "lost"):
        for before, after in zip(whole[name], cut[name], strict=True):
            assert len(after["boxes"]) + after["left_out"] == len(before["boxes"])
