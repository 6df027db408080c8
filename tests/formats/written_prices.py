"""Made-up rate cards with what a provider would write for them: the same prices in several ways of writing."""

import random
from collections.abc import Sequence
from decimal import Decimal
from typing import Any, NamedTuple

from monedero.core.money import Money
from monedero.core.ratecard.model import RateCard
from monedero.formats.price_text.conditions import area

KINDS = ("consumer-debit", "consumer-credit", "commercial")


class Ways(NamedTuple):
    """One language's ways of writing."""

    cards: str
    kinds: dict[str, str]
    origins: dict[str, str]
    methods: dict[str, str]
    plan: str
    monthly: str
    least: str
    most: str
    conversion: str
    plus: Sequence[str]


ENGLISH = Ways(
    cards="{origin} {kind} cards",
    kinds={
        "consumer-debit": "debit",
        "consumer-credit": "credit",
        "commercial": "commercial",
        "consumer": "consumer",
    },
    origins={"domestic": "Domestic", "eea": "EEA", "abroad": "International"},
    methods={
        "sepa-direct-debit": "SEPA Direct Debit",
        "online-banking": "Online banking",
        "instalments": "Instalments",
    },
    plan="{name} plan",
    monthly="{money} per month",
    least="min {money}",
    most="capped at {money}",
    conversion="Currency conversion",
    plus=(" + ", " plus ", "+"),
)
SPANISH = Ways(
    cards="Tarjetas {kind} {origin}",
    kinds={
        "consumer-debit": "de débito",
        "consumer-credit": "de crédito",
        "commercial": "de empresa",
        "consumer": "de consumidores",
    },
    origins={"domestic": "nacionales", "eea": "europeas", "abroad": "internacionales"},
    methods={
        "sepa-direct-debit": "Adeudos SEPA",
        "online-banking": "Banca en línea",
        "instalments": "Pago a plazos",
    },
    plan="Plan {name}",
    monthly="{money} al mes",
    least="mínimo {money}",
    most="máximo {money}",
    conversion="Conversión de divisa",
    plus=(" + ", " más "),
)
PORTUGUESE = Ways(
    cards="Cartões {kind} {origin}",
    kinds={
        "consumer-debit": "de débito",
        "consumer-credit": "de crédito",
        "commercial": "comerciais",
        "consumer": "de consumidores",
    },
    origins={"domestic": "nacionais", "eea": "do EEE", "abroad": "internacionais"},
    methods={
        "sepa-direct-debit": "Débitos diretos SEPA",
        "online-banking": "Banco online",
        "instalments": "Prestações",
    },
    plan="Plano {name}",
    monthly="{money} por mês",
    least="mínimo {money}",
    most="máximo {money}",
    conversion="Conversão de moeda",
    plus=(" + ", " mais "),
)
LANGUAGES = (ENGLISH, SPANISH, PORTUGUESE)


class Written(NamedTuple):
    """A card, and the text in which its prices are written."""

    card: RateCard
    text: str


def written(chance: random.Random) -> Written:
    """A made-up card and its text."""
    return _Writer(chance).all()


class _Writer:
    def __init__(self, chance: random.Random) -> None:
        self.chance = chance
        self.ways = chance.choice(LANGUAGES)
        self.lines: list[str] = []
        self.rates: list[dict[str, Any]] = []
        self.extras: list[dict[str, Any]] = []
        self.regional = False

    def all(self) -> Written:
        names = self.chance.sample(["Start", "Steady", "Harbour", "Lighthouse"], self.chance.randint(1, 3))
        plans = [self._plan(name) for name in names]
        body = {
            "format": "monedero/rate-card/1",
            "provider": {
                "id": "larkhithe",
                "name": "Larkhithe",
                "countries": ["PT"],
                # A text that never speaks of the area has no region: all but domestic cards are international.
                "region": area("eea") if self.regional else [],
                "settles_in": ["EUR"],
            },
            "plans": plans,
            "rates": self.rates,
            "extras": self.extras,
        }
        return Written(RateCard.model_validate(body), "\n".join(self.lines))

    def _plan(self, name: str) -> dict[str, Any]:
        monthly = self.chance.randint(0, 9900)
        heading = self.ways.plan.format(name=name)
        plan = {"id": name.lower(), "name": name}
        if monthly:
            plan["monthly"] = f"{monthly / 100:.2f} EUR"
            heading += ": " + self.ways.monthly.format(money=self._money(monthly))
        self.lines += ["", heading]
        self._cards(plan["id"])
        for method in self.chance.sample(sorted(self.ways.methods), self.chance.randint(0, 3)):
            self._line(plan["id"], method, {}, self.ways.methods[method])
        if self.chance.random() < 0.5:
            percent = Decimal(self.chance.randint(1, 400)) / 100
            when = {"conversion": True}
            extra = {
                "id": f"conversion-{name.lower()}",
                "label": "Conversion",
                "plans": [plan["id"]],
                "when": when,
            }
            self.extras.append({**extra, "percent": str(percent)})
            self.lines.append(f"{self.ways.conversion}: {self._percent(percent)}")
        return plan

    def _cards(self, plan: str) -> None:
        """Narrow prices before wide ones on the card; in the text in any sequence."""
        begun = len(self.rates), len(self.lines)
        cells = [(origin, kind) for origin in ("domestic", "eea", "abroad") for kind in (*KINDS, "consumer")]
        chosen = sorted(self.chance.sample(cells, self.chance.randint(0, 5)), key=lambda cell: _width(*cell))
        for origin, kind in chosen:
            when: dict[str, Any] = {"origin": ["domestic", "region"] if origin == "eea" else [origin]}
            self.regional = self.regional or origin == "eea"
            when["card_kind"] = ["consumer-debit", "consumer-credit"] if kind == "consumer" else [kind]
            said = self.ways.cards.format(origin=self.ways.origins[origin], kind=self.ways.kinds[kind])
            self._line(plan, "card", when, said)
        self._line(plan, "card", {}, " ".join(self.ways.cards.format(origin="", kind="").split()))
        self.chance.shuffle(lines := self.lines[begun[1] :])
        self.lines[begun[1] :] = lines

    def _line(self, plan: str, method: str, when: dict[str, Any], said: str) -> None:
        percent = Decimal(self.chance.randint(1, 500)) / 100
        rate: dict[str, Any] = {"id": f"rate-{len(self.rates)}", "method": method, "plans": [plan], "when": when}
        rate["percent"] = str(percent)
        apart = self.chance.choice([" ", ": ", " - ", "\t"])
        text = f"{said}{apart}{self._percent(percent)}"
        if fixed := self.chance.choice([0, self.chance.randint(1, 90)]):
            rate["fixed"] = f"0.{fixed:02} EUR"
            text += self.chance.choice(self.ways.plus) + self._money(fixed)
        if self.chance.random() < 0.3:
            low = self.chance.randint(1, 99)
            rate["minimum"] = f"0.{low:02} EUR"
            text += f" ({self.ways.least.format(money=self._money(low))})"
        if self.chance.random() < 0.3:
            high = self.chance.randint(100, 900)
            rate["maximum"] = f"{high / 100:.2f} EUR"
            text += f", {self.ways.most.format(money=self._money(high))}"
        self.rates.append(rate)
        self.lines.append(text + self.chance.choice(["", "*", "¹", " "]))

    def _percent(self, share: Decimal) -> str:
        text = f"{share:f}"
        text = text if self.ways is ENGLISH else text.replace(".", ",")
        return text + self.chance.choice(["%", " %", " percent" if self.ways is ENGLISH else " por ciento"])

    def _money(self, cents: int) -> str:
        number = f"{Money(cents, 'EUR')}".removesuffix(" EUR")
        comma = number.replace(".", ",")
        ways = [f"€{number}", f"{number} EUR", f"EUR {number}", f"{comma} €", f"{comma}€", f"{comma} euros"]
        return self.chance.choice([*ways, f"{cents} cents"] if cents < 100 else ways)


def _width(origin: str, kind: str) -> int:
    return (2 if origin == "eea" else 1) * (2 if kind == "consumer" else 1)
