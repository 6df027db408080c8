"""The catalogue of messages: complete, without what nobody says, and chosen by the language that is asked for."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

import monedero
from monedero.wording import catalogue as module
from monedero.wording.catalogue import LANGUAGES, LONGEST, best_language, catalogue, in_language, language, say

SOURCE = Path(monedero.__file__).parent


def said_in_code() -> tuple[set[str], set[str]]:
    """The messages that the code says by name, and how the names begin that it puts together."""
    names: set[str] = set()
    begun: set[str] = set()
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if isinstance(node, ast.Constant) and isinstance(node.value, str):
                names.add(node.value)
            elif isinstance(node, ast.JoinedStr) and isinstance(first := node.values[0], ast.Constant):
                begun.add(str(first.value))
    return names, begun


def test_no_message_is_there_for_nothing() -> None:
    names, begun = said_in_code()
    # Messages that are named after the fields of models.
    begun |= {"tender-", "shop-", "checkout-", "field-", "unset-"}
    begun = {text for text in begun if re.fullmatch(r"[a-z-]+-", text)}
    text = "".join(path.read_text("utf-8") for path in (SOURCE / "wording" / "en").glob("*.ftl"))
    referred = set(re.findall(r"{ ([a-z-]+) }", text))
    idle = {
        message
        for message in catalogue("en").fields
        if message.partition(".")[0] not in names | referred and not message.startswith(tuple(begun))
    }
    assert idle == set()


@pytest.mark.parametrize("name", LANGUAGES)
def test_a_language_fills_its_messages_with_nothing_that_english_does_not_know(name: str) -> None:
    own, english = catalogue(name).fields, catalogue("en").fields
    assert {message for message in own if own[message] - english.get(message, frozenset())} == set()


@pytest.mark.parametrize(
    ("wished", "chosen"),
    [
        ("", "en"),
        ("en-GB, de;q=0.8", "en"),
        ("de-DE, de;q=0.9", "en"),
        ("xx;q=nonsense, en", "en"),
        ("*", "en"),
    ],
)
def test_the_language_that_fits_best_is_taken(wished: str, chosen: str) -> None:
    assert best_language(wished) == chosen


@pytest.fixture
def in_two_languages(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Iterator[None]:
    """A second language that has one message only."""
    for path in (SOURCE / "wording" / "en").glob("*.ftl"):
        (tmp_path / "en").mkdir(exist_ok=True)
        (tmp_path / "en" / path.name).write_text(path.read_text("utf-8"), "utf-8")
    (tmp_path / "pt").mkdir()
    (tmp_path / "pt" / "few.ftl").write_text("state-paid = pago\n", "utf-8")
    monkeypatch.setattr(module, "FOLDER", tmp_path)
    monkeypatch.setattr(module, "LANGUAGES", ("en", "pt"))
    caches = (module.catalogue, module.best_language)
    for cache in caches:
        cache.cache_clear()
    yield
    for cache in caches:
        cache.cache_clear()


@pytest.mark.usefixtures("in_two_languages")
def test_what_a_language_lacks_is_said_in_english() -> None:
    with in_language("pt-PT, en;q=0.5"):
        assert (language(), say("state-paid"), say("state-open")) == ("pt", "pago", "open")
    assert (language(), say("state-paid")) == ("en", "paid")


@pytest.mark.usefixtures("in_two_languages")
def test_an_answer_is_in_the_language_that_the_browser_asks_for(client: TestClient) -> None:
    def states(wished: str) -> dict[str, str]:
        answer = client.get("/api/records", headers={"Accept-Language": wished})
        assert answer.headers["Content-Language"] == best_language(wished)
        return {entry["state"]: entry["name"] for entry in answer.json()["states"]}

    assert states("pt-PT")["paid"] == "pago"
    assert states("pt-PT")["open"] == "open"
    assert states("en")["paid"] == "paid"


def test_a_very_long_value_is_cut_and_does_not_break_its_sentence() -> None:
    told = say("fault-money-text", value="9" * 5000)
    assert told.startswith(f"“{'9' * LONGEST}…” is not money.")


@pytest.mark.parametrize(
    ("text", "why"),
    [("one = One\none = Two\n", "there twice"), ("one = { $n -> [x] y }\n", "few.ftl")],
)
def test_a_catalogue_that_cannot_be_read_is_refused(
    text: str, why: str, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    (tmp_path / "xx").mkdir()
    (tmp_path / "xx" / "few.ftl").write_text(text, "utf-8")
    monkeypatch.setattr(module, "FOLDER", tmp_path)
    with pytest.raises(ValueError, match=why):
        module.Messages("xx")
