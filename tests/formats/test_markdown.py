"""Whatever an owner writes or an order holds, what is shown holds nothing that runs or fetches from elsewhere."""

import pytest

from monedero.formats.markdown import as_html, as_plain

PICTURE = "/api/pictures/" + "a" * 32


@pytest.mark.parametrize(
    ("text", "html"),
    [
        ("**bold** and *soft*", "<p><strong>bold</strong> and <em>soft</em></p>"),
        ("# Before", "<h3>Before</h3>"),
        (f"![map]({PICTURE})", f'<p><img src="{PICTURE}" alt="map"></p>'),
        ("![map](https://elsewhere.example/a.png)", "<p>map</p>"),
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
