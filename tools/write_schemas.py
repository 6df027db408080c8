"""Write what is generated from the code: the JSON Schemas of formats and the API's description."""

import json
import tempfile
from pathlib import Path
from typing import Any

from monedero.api.app import create_app
from monedero.formats import checkout_file, provider_file, rate_card
from monedero.server.shops import Shops

ROOT = Path(__file__).parent.parent
SCHEMA = ROOT / "docs" / "formats" / "rate-card-1.schema.json"
PROVIDER = ROOT / "docs" / "formats" / "provider-1.schema.json"
CHECKOUT = ROOT / "docs" / "formats" / "checkout-1.schema.json"
API = ROOT / "docs" / "api.json"


def api_description() -> dict[str, Any]:
    """The OpenAPI description of the application."""
    with tempfile.TemporaryDirectory() as folder:
        return create_app(Shops(Path(folder)), demo_first=False).openapi()


def text_of(value: dict[str, Any]) -> str:
    """JSON as it stands in the repository."""
    return json.dumps(value, indent=2, ensure_ascii=False) + "\n"


def main() -> None:
    """Write every file."""
    SCHEMA.parent.mkdir(parents=True, exist_ok=True)
    SCHEMA.write_text(text_of(rate_card.schema()), encoding="utf-8")
    PROVIDER.write_text(text_of(provider_file.schema()), encoding="utf-8")
    CHECKOUT.write_text(text_of(checkout_file.schema()), encoding="utf-8")
    API.write_text(text_of(api_description()), encoding="utf-8")


if __name__ == "__main__":
    main()
