"""Tags of languages, as the standard recommends to write them."""

import pytest

from monedero.core.errors import InvalidInput
from monedero.core.language import in_language, language


# Source: RFC 5646 (BCP 47) sections 2.1.1 on case and 4.5 on extended tags, and the IANA registry's preferred values.
@pytest.mark.parametrize(
    ("text", "tag"),
    [
        ("eN-us", "en-US"),
        ("zh-hant-tw", "zh-Hant-TW"),
        ("iw", "he"),
        ("en-BU", "en-MM"),
        ("es-419", "es-419"),
        ("zh_cmn_hans", "zh-Hans"),
        ("en-UK", "en-GB"),
    ],
)
def test_a_tag_is_written_as_the_standard_recommends(text: str, tag: str) -> None:
    assert language(text) == tag


@pytest.mark.parametrize(
    "text", ["", "e", "english", "xx", "pt-Latf-", "pt-Qqqq", "pt-QQQ", "pt-ZX", "a.b", "../en"]
)
def test_what_is_no_language_is_refused(text: str) -> None:
    with pytest.raises(InvalidInput):
        language(text)


def test_a_missing_text_falls_back_to_the_first() -> None:
    assert in_language({"en": "Card", "pt": "Cartão"}, "pt") == "Cartão"
    assert in_language({"en": "Card", "pt": "Cartão"}, "de") == "Card"
