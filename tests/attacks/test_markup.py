"""Nothing of a published collection of attacks survives where an owner's text is shown."""

import re
from html.parser import HTMLParser
from typing import Any

import brs_kb

from monedero.formats.markdown import ATTRIBUTES, SCHEMES, TAGS, as_html

# Source: the payloads of package `brs-kb`, gathered from published cheat sheets and reports.
PAYLOADS = [entry["payload"] for entry in brs_kb.get_all_payloads().values()]


class Seen(HTMLParser):
    """Every tag of a page with its attributes."""

    def __init__(self, html: str) -> None:
        super().__init__()
        self.tags: list[tuple[str, dict[str, str]]] = []
        self.feed(html)
        self.close()

    def handle_starttag(self, tag: str, attrs: Any) -> None:
        self.tags.append((tag, {name: value or "" for name, value in attrs}))


def harmless(html: str) -> None:
    for tag, attributes in Seen(html).tags:
        assert tag in TAGS
        assert set(attributes) <= ATTRIBUTES.get(tag, set()) | {"rel"}
        if "src" in attributes:
            assert re.fullmatch(r"/api/pictures/[a-p]{32}", attributes["src"])
        if href := attributes.get("href"):
            scheme = re.match(r"([a-zA-Z][a-zA-Z0-9+.-]*):", href)
            assert scheme is None or scheme.group(1).lower() in SCHEMES
            assert not href.startswith("//")


def test_no_payload_of_a_published_collection_survives() -> None:
    assert len(PAYLOADS) > 4000
    for payload in PAYLOADS:
        harmless(as_html(payload, {}))
        # In a link, in a picture, and as a part of the order that is filled in.
        harmless(as_html(f"[x]({payload}) ![x]({payload}) <{payload}>", {}))
        harmless(as_html("{line} [pay]({link})", {"line": payload, "link": payload}))
