"""The signs and figures of a line in sequence, and what of them was understood.

Every item is taken once; what is left at the end keeps the line from being read.

Source: own design.

>>> items = Items("Cards 1.5 % + 0.25 EUR", "EUR", {})
>>> [item.name for item in items.all]
['card', 'percent', '+', 'money']
"""

from collections.abc import Mapping

from monedero.formats.price_text.bare import COUNTRIES, WORDS_TOO, country_codes, told
from monedero.formats.price_text.item import Item
from monedero.formats.price_text.tokens import CODES, WORDS_FIRST, Kind, Token, goes_to, tokens
from monedero.formats.price_text.unread import NotRead, Why
from monedero.formats.price_text.vocabulary import folded, signs

# Marks that only set parts of a line apart.
PAUSES = frozenset(",;()")
APART = frozenset(":.[]{}|/&!?\"'`•·_=#→")
COMPARES = {"<": "below", ">": "over", "≤": "up-to", "≥": "from"}
FIGURES = frozenset(("percent", "money", "number", "days-after"))


class Items:
    """The items of a line."""

    def __init__(self, line: str, currency: str, more: Mapping[str, tuple[str, str]], decimal: str = "") -> None:
        """`more` are phrases that this text knows besides: its plans, the networks of the shop."""
        found = tokens(line, currency, decimal)
        self.words = [folded(token.text) for token in found if token.kind is Kind.WORD]
        self.all: list[Item] = []
        self._apart = False
        run: list[str] = []
        codes = country_codes(line, [token.text for token in found])
        for place, token in enumerate(found):
            if goes_to(found, place):
                self._signs(run, more)
                run = []
                self._add(Item("signs", "-", token.text))
                continue
            if token.text in WORDS_TOO and place not in codes and any(letter.islower() for letter in line):
                # A country, or a word in capitals: nobody can tell.
                self._signs(run, more)
                run = []
                self._add(Item("", "", token.text))
                continue
            if token.kind is Kind.WORD and not _stands_alone(token) and place not in codes:
                run.append(folded(token.text))
                continue
            self._signs(run, more)
            run = []
            if place in codes:
                self._add(Item("countries", COUNTRIES.get(token.text, token.text), token.text))
            else:
                self._other(token)
        self._signs(run, more)
        self.all = told(self.all, currency)

    def _add(self, item: Item) -> None:
        item.apart, self._apart = self._apart, False
        self.all.append(item)

    def _signs(self, run: list[str], more: Mapping[str, tuple[str, str]]) -> None:
        for sign in signs(run, more):
            self._add(Item(sign.group, sign.name, sign.said))

    def _other(self, token: Token) -> None:
        if token.kind is Kind.WORD:
            self._add(Item("currencies", token.text, token.text))
        elif token.kind is not Kind.MARK:
            self._add(Item("figures", token.kind.value, token.text, token.value))
        elif token.text in "+-":
            self._add(Item("signs", token.text, token.text))
        elif token.text in COMPARES:
            self._add(Item("marks", COMPARES[token.text], token.text))
        elif token.text == "~":
            self._add(Item("marks", "about", token.text))
        elif token.text in PAUSES:
            self._apart = True
        elif token.text not in APART:
            self._add(Item("", "", token.text))

    @property
    def unknown(self) -> list[Item]:
        """The words that nobody knows."""
        return [item for item in self.all if not item.group]

    @property
    def figures(self) -> list[Item]:
        """Percentages, amounts and numbers."""
        return [item for item in self.all if item.group == "figures"]

    def has(self, *names: str) -> bool:
        """True if one of these marks is there."""
        return any(item.group == "marks" and item.name in names for item in self.all)

    def open(self, name: str) -> bool:
        """True if a mark is there that is not taken yet."""
        return any(item.group == "marks" and item.name == name and not item.taken for item in self.all)

    def take(self, *names: str) -> bool:
        """Take every one of these marks; whether one was there."""
        found = [item for item in self.all if item.group == "marks" and item.name in names]
        for item in found:
            item.taken = True
        return bool(found)

    def of(self, group: str) -> tuple[str, ...]:
        """The names of a group in sequence, each once, and taken."""
        found = [item for item in self.all if item.group == group]
        for item in found:
            item.taken = True
        return tuple(dict.fromkeys(item.name for item in found))

    def figure(self, name: str) -> Item | None:
        """The one figure of a kind that is not taken yet, and takes it; refuses two."""
        found = [item for item in self.all if item.group == "figures" and item.name == name and not item.taken]
        if len(found) > 1:
            raise NotRead(Why.TWO_PRICES, found[1].said)
        for item in found:
            item.taken = True
        return found[0] if found else None

    def done(self) -> None:
        """Refuse what is left."""
        for item in self.all:
            if not item.taken and item.group != "signs":
                raise NotRead(Why.FIGURE if item.group == "figures" else Why.UNCLEAR, item.said)


def _stands_alone(token: Token) -> bool:
    return token.text in CODES and token.text not in WORDS_FIRST
