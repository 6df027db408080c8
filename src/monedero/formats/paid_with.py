"""How an order was paid, by the words of a file of past orders: a value of its column, matched to a method.

A guess is only that: the owner sees it, corrects it, and it is remembered with the file's columns.

Source: own design; the words are common practice, no source.

>>> words = PaidWords(methods={"harbour-points": "Harbour points"}, networks=frozenset({"aster"}))
>>> for text in ("Credit card", "ASTER debit", "Transferencia bancaria", "Harbour Points", "Wire", "4711"):
...     found = words.guess(text)
...     print(found and (found.method, found.network, found.kind and found.kind.value))
('card', None, 'consumer-credit')
('card', 'aster', 'consumer-debit')
('bank-transfer', None, None)
('harbour-points', None, None)
('wire-transfer', None, None)
None
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from unicodedata import normalize

from monedero.core.fields import Identifier, Strict
from monedero.core.order.kinds import CardKind

WORDS: tuple[tuple[tuple[str, ...], str], ...] = (
    (("direct debit", "lastschrift", "domicilia", "debito direto", "prelevement", "incasso"), "sepa-direct-debit"),
    (("on delivery", "nachnahme", "contra reembolso", "contra entrega", "cobranca"), "cash-on-delivery"),
    (("on collection", "abholung", "recogida", "levantamento"), "cash-on-collection"),
    (("terminal", "contactless", "card reader"), "card-at-terminal"),
    (("instant transfer", "instant credit transfer", "transferencia inmediata"), "instant-transfer"),
    (("online banking", "internet banking", "onlinebanking"), "online-banking"),
    (("wire", "international transfer"), "wire-transfer"),
    (
        ("transfer", "uberweisung", "ueberweisung", "virement", "overboeking", "overschrijving", "bonifico"),
        "bank-transfer",
    ),
    (("instal", "prestac", "cuotas", "plazos", "raten", "termijnen"), "instalments"),
    (("pay later", "after delivery"), "pay-after-delivery"),
    (("gift", "gutschein", "cadeau", "vale"), "gift-voucher"),
    (("money order",), "money-order"),
    (("cheque", "check", "scheck", "assegno"), "cheque"),
    (("invoice", "factura", "fatura", "rechnung", "facture", "factuur"), "invoice"),
    (("device wallet", "phone wallet", "watch", "phone"), "device-wallet"),
    (("wallet", "carteira", "cartera", "portefeuille"), "account-wallet"),
    (("card", "cartao", "tarjeta", "karte", "kreditkarte", "carte", "kaart", "carta", "credit", "debit"), "card"),
    (("cash", "numerario", "efectivo", "dinheiro", "barzahlung", "bar", "especes", "contant"), "cash-on-the-day"),
    (("bank",), "bank-transfer"),
)
"""Beginnings of words that name a method, the narrower ones first."""
KINDS: tuple[tuple[tuple[str, ...], CardKind], ...] = (
    (("commercial", "business", "corporate", "empresa", "firmen"), CardKind.COMMERCIAL),
    (("debit", "debito", "debet"), CardKind.CONSUMER_DEBIT),
    (("credit", "credito", "kredit"), CardKind.CONSUMER_CREDIT),
)
CARDS = ("card", "card-at-terminal", "card-by-phone")


class PaidWith(Strict):
    """A method; of a card its network and kind, where the file tells them."""

    method: Identifier
    network: Identifier | None = None
    kind: CardKind | None = None


@dataclass(frozen=True)
class PaidWords:
    """The names by which a file may call a method: those of the shop's methods by id, and networks of cards."""

    methods: Mapping[str, str]
    networks: frozenset[str] = field(default_factory=frozenset)

    def guess(self, text: str) -> PaidWith | None:
        """The most likely method of a value; None where no word says it."""
        plain = plain_words(text)
        network = next((name for name in sorted(self.networks) if _holds(plain, plain_words(name))), None)
        if network:
            return PaidWith(method="card", network=network, kind=_kind(plain))
        for id, name in self.methods.items():
            if plain in (plain_words(id), plain_words(name)):
                return PaidWith(method=id)
        method = next((method for words, method in WORDS if any(_begins(plain, word) for word in words)), None)
        return None if method is None else PaidWith(method=method, kind=_kind(plain) if method in CARDS else None)


def plain_words(text: str) -> str:
    """A text in small letters without accents, with one space for whatever joins its words."""
    letters = normalize("NFKD", text.casefold()).encode("ascii", "ignore").decode()
    return re.sub(r"[^a-z0-9]+", " ", letters).strip()


def _kind(plain: str) -> CardKind | None:
    return next((kind for words, kind in KINDS if any(_begins(plain, word) for word in words)), None)


def _holds(plain: str, words: str) -> bool:
    return bool(words) and f" {words} " in f" {plain} "


def _begins(plain: str, word: str) -> bool:
    return f" {word}" in f" {plain}"
