"""The list of what stands in the way: what forbids comes first, each kind in the sequence of the codes."""

from monedero.core.ready import FORBIDS, SEQUENCE, ReadyCode, ReadyItem, Weight, in_sequence


def test_what_forbids_comes_first_and_the_codes_keep_their_sequence() -> None:
    every = [ReadyItem(code) for code in reversed(ReadyCode)]
    told = in_sequence(every)
    weights = [item.weight for item in told]
    assert weights == sorted(weights)
    for weight in Weight:
        codes = [SEQUENCE.index(item.code) for item in told if item.weight is weight]
        assert codes == sorted(codes)
    assert {item.code for item in told if item.weight is Weight.FORBIDS} == FORBIDS
