"""Whatever an owner writes or an order holds, what is shown holds nothing that runs or fetches from elsewhere."""

import re
from html.parser import HTMLParser
from typing import Any

import brs_kb
import pytest

from monedero.formats.markdown import ATTRIBUTES, SCHEMES, TAGS, as_html, as_plain

# Source: the payloads of package `brs-kb`, gathered from published cheat sheets and reports.
PAYLOADS = [entry["payload"] for entry in brs_kb.get_all_payloads().values()]
PICTURE = "/api/pictures/" + "a" * 32


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


@pytest.mark.parametrize(
    ("text", "html"),
    [
        ("**bold** and *soft*", "<p><strong>bold</strong> and <em>soft</em></p>"),
        ("# Before", "<h3>Before</h3>"),
        (f"![map]({PICTURE})", f'<p><img src="{PICTURE}" alt="map"></p>'),
        ("![map](https://elsewhere.example/a.png)", '<p><img alt="map"></p>'),
        ("[us](mailto:a@b.example)", '<p><a href="mailto:a@b.example" rel="noopener noreferrer">us</a></p>'),
        ("[yours]({link})", '<p><a href="/buy/orders/x" rel="noopener noreferrer">yours</a></p>'),
        ("`{line}`", "<p><code>Chart &lt;b&gt;</code></p>"),
        ("[x](//elsewhere.example)", "<p>[x](//elsewhere.example)</p>"),
    ],
)
def test_what_markdown_can_say_is_shown(text: str, html: str) -> None:
    assert as_html(text, {"link": "/buy/orders/x", "line": "Chart <b>"}) == html


def test_a_message_says_the_same_without_marks() -> None:
    text = "# Bring\n\n1. **warm** clothes\n2. [a map](https://m.example)\n   - one\n\n"
    text += "> Mind the step\\\nand the rope\n\n    code\n"
    assert as_plain(text + f"\n![the boat]({PICTURE}) <https://m.example>", {}) == (
        "Bring\n\n1. warm clothes\n2. a map (https://m.example)\n  - one\n\n"
        "Mind the step\nand the rope\n\ncode\n\nthe boat https://m.example"
    )
