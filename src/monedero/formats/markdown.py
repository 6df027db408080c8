"""Markdown that an owner wrote, as a part of a page and as plain text, with its placeholders filled.

What comes out as HTML holds nothing that can run as script or fetch from elsewhere: raw HTML is shown as text, links
lead to http, https, mailto and tel alone, and pictures are those that the shop keeps. It is cleaned once more then.

Source: CommonMark 0.31 (package `markdown-it-py`); cleaned by package `nh3` (Ammonia).

>>> as_html("Quote **{reference}**.", {"reference": "RF18 5390 *0*"})
'<p>Quote <strong>RF18 5390 *0*</strong>.</p>'
>>> as_html("[pay](javascript:alert(1)) <b onclick=x>now</b>", {})
'<p>[pay](javascript:alert(1)) &lt;b onclick=x&gt;now&lt;/b&gt;</p>'
>>> as_plain("# Before\\n\\n- bring [a map](https://maps.example)\\n- **{amount}**", {"amount": "5,00"})
'Before\\n\\n- bring a map (https://maps.example)\\n- 5,00'
"""

import re
from collections.abc import Mapping, Sequence
from urllib.parse import unquote

import nh3
from markdown_it import MarkdownIt
from markdown_it.token import Token

from monedero.core.words.placeholders import filled

PICTURES = "/api/pictures/"
PICTURE = re.compile(rf"{PICTURES}[a-p]{{32}}", re.ASCII)
TAGS = {"p", "br", "strong", "em", "ul", "ol", "li", "a", "img", "code", "pre", "blockquote", "hr"}
TAGS |= {"h3", "h4", "h5", "h6"}
ATTRIBUTES = {"a": {"href", "title"}, "img": {"src", "alt", "title"}, "ol": {"start"}}
SCHEMES = {"http", "https", "mailto", "tel"}
# The page has its headings already; those of a text stand below them.
LOWER = {"h1": "h3", "h2": "h4", "h3": "h5", "h4": "h6", "h5": "h6", "h6": "h6"}


def _allowed(link: str) -> bool:
    scheme = link.partition(":")[0].lower() if ":" in link.split("/", maxsplit=1)[0] else ""
    return scheme in SCHEMES or (
        not scheme and link.startswith(("/", "#", "%7B", "{")) and not link.startswith("//")
    )


class _WithFewLinks(MarkdownIt):
    def validateLink(self, url: str) -> bool:  # noqa: N802 - the name of the library
        return _allowed(url)


_markdown = _WithFewLinks("commonmark", {"html": False})


def as_html(text: str, values: Mapping[str, str]) -> str:
    """A text as HTML that is safe to show."""
    tokens = _markdown.parse(text)
    _fill(tokens, values)
    html = _markdown.renderer.render(tokens, _markdown.options, {})
    return nh3.clean(
        html,
        tags=TAGS,
        attributes=ATTRIBUTES,
        url_schemes=SCHEMES,
        attribute_filter=_own_pictures,
        link_rel="noopener noreferrer",
    ).strip()


def _own_pictures(element: str, attribute: str, value: str) -> str | None:
    if element == "img" and attribute == "src":
        return value if PICTURE.fullmatch(value) else None
    if element == "a" and attribute == "href":
        return value if _allowed(value) else None
    return value


def _fill(tokens: Sequence[Token], values: Mapping[str, str]) -> None:
    """Fill placeholders where they stand as text or as the address of a link, after the text was understood."""
    for token in tokens:
        token.tag = LOWER.get(token.tag, token.tag) if token.type.startswith("heading") else token.tag
        if token.type in ("text", "code_inline", "code_block", "fence"):
            token.content = filled(token.content, values)
        href = token.attrs.get("href")
        if isinstance(href, str):
            token.attrs["href"] = _filled_address(unquote(href) if "%7B" in href else href, values)
        if token.type == "image" and not PICTURE.fullmatch(str(token.attrs.get("src", ""))):
            # A picture that is not kept here would be a broken one: its words stand for it.
            token.type, token.tag, token.children = "text", "", None
        _fill(token.children or [], values)


def _filled_address(href: str, values: Mapping[str, str]) -> str:
    """An address with its placeholders filled; the personal link of a buyer is given to no other site."""
    own = href.startswith("{link}")
    return filled(href, values if own else {**values, "link": ""})


def as_plain(text: str, values: Mapping[str, str]) -> str:
    """A text as it reads without marks; the address of a link stands behind it."""
    tokens = _markdown.parse(text)
    _fill(tokens, values)
    lines: list[str] = []
    lists: list[int | None] = []
    mark = ""
    for token in tokens:
        if token.type in ("bullet_list_open", "ordered_list_open"):
            lists.append(int(token.attrs.get("start", 1)) if token.type.startswith("ordered") else None)
        elif token.type in ("bullet_list_close", "ordered_list_close"):
            lists.pop()
            if not lists:
                lines.append("")
        elif token.type == "list_item_open":
            number = lists[-1]
            mark = "- " if number is None else f"{number}. "
            lists[-1] = None if number is None else number + 1
        elif token.type in ("inline", "code_block", "fence"):
            said = _inline(token.children) if token.type == "inline" else token.content.rstrip("\n")
            lines.append(f"{'  ' * max(len(lists) - 1, 0)}{mark}{said}")
            mark = ""
            if not lists:
                lines.append("")
    return "\n".join(lines).strip()


def _inline(tokens: Sequence[Token] | None) -> str:
    parts: list[str] = []
    links: list[tuple[int, str]] = []
    for token in tokens or []:
        if token.type in ("text", "code_inline"):
            parts.append(token.content)
        elif token.type in ("softbreak", "hardbreak"):
            parts.append("\n")
        elif token.type == "image":
            parts.append(token.content)
        elif token.type == "link_open":
            links.append((len(parts), str(token.attrs.get("href", ""))))
        elif token.type == "link_close":
            start, href = links.pop()
            if href and "".join(parts[start:]) != href:
                parts.append(f" ({href})")
    return "".join(parts)
