"""Ways of delivery, areas and lines name one another by ids that are there."""

import pytest
from pydantic import ValidationError

from monedero.core.shop import Shop


def test_a_shop_holds_what_its_lines_and_ways_name() -> None:
    line = {
        "id": "a",
        "name": "A",
        "kind": "goods",
        "usual_amount": "5 EUR",
        "recurring": False,
        "deliveries": ["van"],
    }
    shop = {"name": "Cabo Noite", "country": "PT", "currency": "EUR"}
    van = {"id": "van", "name": "Van", "areas": ["north"]}
    area = {"id": "north", "name": "North", "postcodes": {"PT": ["4"]}}
    for lacking in ({"lines": [line]}, {"deliveries": [van]}, {"areas": [area, area]}):
        with pytest.raises(ValidationError):
            Shop.model_validate({**shop, **lacking})
    whole = Shop.model_validate({**shop, "lines": [line], "deliveries": [van], "areas": [area]})
    assert whole.lines[0].deliveries == ["van"]
