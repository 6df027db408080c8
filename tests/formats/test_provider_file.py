"""A provider as a file: what goes out comes in again, and a card of another provider is refused."""

import json
from typing import Any

import jsonschema
import pytest

from monedero import demo
from monedero.core.errors import InvalidInput
from monedero.formats import provider_file


def body(**changes: Any) -> bytes:
    facts = {"id": "larkhithe", "name": "Larkhithe", "about": "", "contract": "all-in-one", "review_days": 0}
    return json.dumps({"format": "monedero/provider/1", **facts, **changes}).encode()


def test_every_provider_of_the_demo_goes_out_and_comes_in_with_its_card() -> None:
    cards = {card.provider.id: card for card in demo.rate_cards()}
    for facts in demo.providers():
        written = provider_file.write(facts, cards[facts.id])
        jsonschema.validate(json.loads(written), provider_file.schema())
        assert provider_file.read(written) == (facts, cards[facts.id])


def test_a_file_speaks_of_one_provider() -> None:
    card = json.loads(demo.rate_cards()[0].model_dump_json(by_alias=True))
    with pytest.raises(InvalidInput, match="reference-dangling"):
        provider_file.read(body(rate_card=card))
    with pytest.raises(InvalidInput, match="format-unknown"):
        provider_file.read(b"[]")
