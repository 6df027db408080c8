"""Writes files that are made from the code: the JSON Schemas of formats, and the description of the API."""

import json
import sys
import tempfile
from pathlib import Path
from typing import Any

from monedero.api.app import create_app
from monedero.formats import buyers_file, checkout_file, provider_file, rate_card
from monedero.server.shops import Shops

ROOT = Path(__file__).parent.parent
SCHEMA = ROOT / "docs" / "formats" / "rate-card-1.schema.json"
PROVIDER = ROOT / "docs" / "formats" / "provider-1.schema.json"
CHECKOUT = ROOT / "docs" / "formats" / "checkout-1.schema.json"
BUYERS = ROOT / "docs" / "formats" / "buyers-1.schema.json"
API = ROOT / "src" / "monedero" / "api" / "openapi.json"


def api_description() -> dict[str, Any]:
    """The OpenAPI description of the application."""
    with tempfile.TemporaryDirectory() as folder:
        return create_app(Shops(Path(folder)), demo_first=False).openapi()


def text_of(value: dict[str, Any]) -> str:
    """JSON as it stands in the repository."""
    return json.dumps(value, indent=2, ensure_ascii=False) + "\n"


def write_files() -> None:
    """Write the JSON Schemas of the formats of files."""
    SCHEMA.parent.mkdir(parents=True, exist_ok=True)
    SCHEMA.write_text(text_of(rate_card.schema()), encoding="utf-8")
    PROVIDER.write_text(text_of(provider_file.schema()), encoding="utf-8")
    CHECKOUT.write_text(text_of(checkout_file.schema()), encoding="utf-8")
    BUYERS.write_text(text_of(buyers_file.schema()), encoding="utf-8")


def write_api() -> None:
    """Write the description of the API, which ships in the package."""
    API.write_text(text_of(api_description()), encoding="utf-8")


if __name__ == "__main__":
    {"api": write_api, "files": write_files}[sys.argv[1]]()
