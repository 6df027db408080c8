"""The meaning of a price list in short, as `price_lines.txt` writes it down."""

from collections.abc import Iterable
from pathlib import Path
from typing import NamedTuple

from monedero.core.ratecard.model import Band, Extra, Rate, RateCard, When
from monedero.formats.price_text.conditions import area
from monedero.formats.price_text.reader import Given, PriceText, read

FILE = Path(__file__).parent.parent / "data" / "price_lines.txt"
KINDS = {"consumer-debit": "debit", "consumer-credit": "credit", "commercial": "commercial"}
NETWORKS = ("aster", "borealis")
BESIDE = "Cards 9.99%"
"""A price that stands above a line that is none, so that there is a card."""


class Written(NamedTuple):
    """An entry of the file: its language, the shop's country and currency, the text, and what it means."""

    language: str
    country: str
    currency: str
    text: str
    means: str


def entries() -> list[Written]:
    """Every entry of the file."""
    found, section = [], ("", "", "")
    for line in FILE.read_text("utf-8").splitlines():
        if line.startswith("["):
            language, country, currency = line.strip("[]").split()
            section = (language, country, currency)
        elif "=>" in line and not line.startswith("#"):
            text, means = line.split("=>")
            found.append(Written(*section, text.strip().replace("¶", "\n"), means.strip()))
    return found


def meaning(entry: Written) -> str:
    """Tells what the reader makes of an entry, in the writing of the file."""
    given = Given("Larkhithe", entry.country, entry.currency, NETWORKS)
    found = read(entry.text, given)
    if found.card is None:
        found = read(f"{entry.text}\n{BESIDE} (all plans)", given)
        if found.unread or found.card is None:
            return "marked"
        return _told(found, aside=True)
    return "marked" if found.unread else _told(found, aside=False)


def _told(found: PriceText, *, aside: bool) -> str:
    card = found.card
    assert card is not None
    rates = [rate for rate in card.rates if not (aside and str(rate.percent) == "9.99")]
    said = [
        *(_rate(rate) for rate in rates),
        *(_extra(extra) for extra in card.extras),
        *_plans(card),
        *_events(card),
        *_settlement(card, found),
        *_terms(card),
    ]
    return " | ".join(said) or "nothing"


def _rate(rate: Rate) -> str:
    parts = [*(cost.value for cost in rate.adds or ()), *_figures(rate)]
    limits = [("min", rate.minimum), ("max", rate.maximum)]
    plans = "".join(f" @{plan}" for plan in rate.plans or ())
    return (
        " ".join(
            part
            for part in (
                rate.method,
                _when(rate.when),
                " + ".join(parts),
                *(f"{name} {limit}" for name, limit in limits if limit),
            )
            if part
        )
        + plans
    )


def _extra(extra: Extra) -> str:
    of = f" of {extra.methods[0]}" if extra.methods else ""
    return f"extra {_when(extra.when)} {' + '.join(_figures(extra))}{of}".replace("(conversion)", "conversion")


def _figures(entry: Rate | Extra) -> list[str]:
    figures = []
    if entry.percent is not None:
        figures.append(f"{entry.percent.normalize():f}%")
    if entry.fixed is not None:
        figures.append(str(entry.fixed))
    return figures


def _when(when: When) -> str:
    countries = when.buyer_country or []
    parts = [
        ", ".join(KINDS[kind] for kind in when.card_kind or ()),
        ", ".join(origin.value for origin in when.origin or ()),
        "EEA" if countries == area("eea") else ", ".join(countries),
        ", ".join(when.card_network or ()),
        ", ".join(when.currency or ()),
        "" if when.recurring is None else ("recurring" if when.recurring else "once"),
        _band("", when.amount),
        _band("month ", when.monthly_volume),
        "conversion" if when.conversion else "",
        ", ".join(when.line_kind or ()),
    ]
    said = "; ".join(part for part in parts if part)
    return f"({said})" if said else ""


def _band(name: str, band: Band | None) -> str:
    if band is None:
        return ""
    if band.from_ is None:
        return f"{name}to {band.below}"
    return f"{name}{band.from_} to {band.below}" if band.below else f"{name}from {band.from_}"


def _plans(card: RateCard) -> Iterable[str]:
    for plan in card.plans:
        name = "" if plan.id == "standard" else f" @{plan.id}"
        if plan.monthly is not None:
            yield f"monthly {plan.monthly}{name}"
        if plan.minimum_monthly is not None:
            yield f"minimum {plan.minimum_monthly}{name}"
        if name and plan.monthly is None and plan.minimum_monthly is None:
            yield f"plan {plan.name}"


def _events(card: RateCard) -> Iterable[str]:
    for event in card.events:
        if event.refund:
            yield f"refund {event.refund.fixed} returns {event.refund.returns}"
        if event.dispute:
            yield f"dispute {event.dispute.fixed}{' back if won' if event.dispute.returned_if_won else ''}"
        if event.failed:
            yield f"failed {event.failed.fixed}"


def _settlement(card: RateCard, found: PriceText) -> Iterable[str]:
    said = {
        name for line in found.lines for name in ("business_days", "payout") if getattr(line.meaning, name, None)
    }
    for entry in card.settlement:
        days = f" after {entry.business_days}" if "business_days" in said else ""
        payout = f" {entry.payout}" if "payout" in said else ""
        yield f"pays{days}{payout}"


def _terms(card: RateCard) -> Iterable[str]:
    terms = card.terms.model_dump(mode="json", exclude_none=True) if card.terms else {}
    for name, value in terms.items():
        if name == "reserve":
            yield f"reserve {value['percent']}% {value['days']} days"
        elif name == "instant_payout":
            figures = [f"{value['percent']}%"] if "percent" in value else []
            figures += [value["fixed"]] if "fixed" in value else []
            yield f"instant payout {' + '.join(figures)}{' min ' + value['minimum'] if 'minimum' in value else ''}"
        else:
            yield f"{name} {value}"
    if card.fee_tax_percent is not None:
        yield f"tax {card.fee_tax_percent:f}%"
