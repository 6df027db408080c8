"""The set-up sheet of a draft: every tender that is on with everything to set, for shop software set up by hand."""

import csv
import io
from dataclasses import dataclass

from monedero.core.language import in_language
from monedero.core.words.texts import TextKind
from monedero.letters.texts import TextReader
from monedero.wording.buyers import to_buyer
from monedero.wording.catalogue import say
from monedero.wording.names import names_of
from monedero.wording.setup_sheet import SheetLine, sheet_lines
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.context import Context
from monedero.work.shop.lookups import method_in, storefront_of


@dataclass(frozen=True, slots=True)
class SheetEntry:
    """A tender with its place in the checkout, counted from 1."""

    place: int
    name: str
    lines: list[SheetLine]


@dataclass(frozen=True, slots=True)
class SetupSheet:
    """The sheet of a storefront."""

    shop: str
    storefront: str
    mode: str
    entries: list[SheetEntry]


def setup_sheet(context: Context) -> SetupSheet:
    """The sheet, in the sequence in which buyers meet the tenders: those without a heading first."""
    snapshot = drafted(context)
    shop, checkout = snapshot.shop, snapshot.checkout
    language = shop.languages[0]
    names = names_of(shop, checkout)
    names |= {f"heading/{heading.id}": in_language(heading.name, language) for heading in checkout.headings}
    providers = {card.provider.id: card.provider.name for card in context.shop.rate_cards.all()}
    for id, account in context.shop.accounts.of(checkout.mode).items():
        names[f"account/{id}"] = account.name or providers.get(account.provider, account.provider)
    names = {f"account/{id}": name for id, name in providers.items()} | names
    sets = {each.id: each.conditions for each in checkout.shared_conditions}
    tenders = [tender for tender in checkout.in_place if tender.on]
    entries, texts = [], TextReader(context, snapshot)
    for place, tender in enumerate(tenders, start=1):
        conditions = [*tender.conditions, *(condition for id in tender.shared for condition in sets[id])]
        with to_buyer(language, shop.country):
            text = texts.text(tender, TextKind.DESCRIPTION).text
        lines = sheet_lines(tender, method_in(snapshot.methods, tender.method), conditions, names, text)
        entries.append(SheetEntry(place, tender.name, lines))
    return SetupSheet(shop.name, storefront_of(shop, context.storefront).name, checkout.mode.value, entries)


def as_csv(sheet: SetupSheet) -> str:
    """The sheet as a table, a row for each thing to set, the last column free for a mark (RFC 4180)."""
    text = io.StringIO()
    table = csv.writer(text, lineterminator="\r\n")
    table.writerow([say(f"sheet-column-{name}") for name in ("place", "name", "what", "value", "done")])
    for entry in sheet.entries:
        for line in entry.lines:
            table.writerow([entry.place, *map(_plain, (entry.name, line.what, line.value)), ""])
    return text.getvalue()


def _plain(cell: str) -> str:
    """A cell that no spreadsheet reads as a formula: one that begins like it has an apostrophe before it."""
    return f"'{cell}" if cell.startswith(("=", "+", "-", "@", "\t", "\r")) else cell
