"""Tells what a checkout offers, decided slowly: written once more from the text of the format, with nothing of the
core.

It reads the JSON of a checkout and the cells of an order, and gives what `monedero offer --why` writes for it.
"""

from collections.abc import Callable
from fractions import Fraction
from typing import Any

Json = dict[str, Any]
Cells = dict[str, str]
PerEuro = Callable[[str], Fraction | None]

DIGITS = {"EUR": 2, "GBP": 2, "USD": 2, "JPY": 0, "KWD": 3}
FACTS = ["currency", "country", "area", "kind", "line", "recurring", "delivery", "customer_group", "device"]
FACTS += ["signed_in", "day"]


def half_up(value: Fraction) -> int:
    sign = -1 if value < 0 else 1
    return sign * int((abs(value) * 2 + 1) // 2)


def minor(text: str) -> tuple[Fraction, str]:
    amount, currency = text.split(" ")
    return Fraction(amount) * Fraction(10) ** DIGITS[currency], currency


def written(minor_units: int, currency: str) -> str:
    digits = DIGITS[currency]
    sign, whole = ("-" if minor_units < 0 else ""), str(abs(minor_units)).rjust(digits + 1, "0")
    return sign + (f"{whole[:-digits]}.{whole[-digits:]}" if digits else whole)


class Slow:
    """One order at one checkout. `per_euro` gives units of a currency for a euro on the order's day."""

    def __init__(self, checkout: Json, cells: Cells, per_euro: PerEuro) -> None:
        self.checkout, self.cells, self.per_euro = checkout, cells, per_euro
        self.currency = cells["currency"]
        self.amount = minor(f"{cells['amount']} {self.currency}")[0]
        lines = {line["id"]: line for line in checkout["lines"]}
        named = [name for name in cells.get("line", "").split("+") if name]
        described = [lines[name] for name in named if name in lines]
        every = bool(named) and len(described) == len(named)
        self.lines = named
        kinds = cells.get("line_kind") or ("+".join(line["kind"] for line in described) if every else "")
        self.kinds = [kind for kind in kinds.split("+") if kind]
        self.recurring = {"true": True, "false": False}.get(cells.get("recurring", ""))
        if self.recurring is None and any(line["recurring"] for line in described):
            self.recurring = True
        elif self.recurring is None and every:
            self.recurring = False
        self.delivery = cells.get("delivery") or None
        if self.delivery is None and every and all(line.get("deliveries") is None for line in described):
            self.delivery = "none"

    def brought(self, text: str) -> Fraction | None:
        """A limit in minor units of the order's currency, exactly; None without a rate."""
        amount, currency = minor(text)
        if currency == self.currency:
            return amount
        one, other = self.per_euro(currency), self.per_euro(self.currency)
        if one is None or other is None:
            return None
        whole = amount / Fraction(10) ** DIGITS[currency] / one * other
        return whole * Fraction(10) ** DIGITS[self.currency]

    def within(self, window: Json | None, name: str) -> list[str]:
        found = []
        for end, code in (("from", "under"), ("up_to", "over"), ("below", "over")):
            if window is not None and end in window:
                limit = self.brought(window[end])
                if limit is None:
                    found.append(f"{name}-{code}-unknown")
                elif self.beyond(end, limit):
                    found.append(f"{name}-{code}")
        return found

    def beyond(self, end: str, limit: Fraction) -> bool:
        if end == "from":
            return self.amount < limit
        return self.amount > limit or (end == "below" and self.amount == limit)

    def method(self, method: Json) -> list[str]:
        found = []
        country = self.checkout["shop"]["country"]
        if method.get("shop_countries") is not None and country not in method["shop_countries"]:
            found.append("method-shop-country")
        if (
            method.get("buyer_countries") is not None
            and self.cells["buyer_country"] not in method["buyer_countries"]
        ):
            found.append("method-country")
        if method.get("currencies") is not None and self.currency not in method["currencies"]:
            found.append("method-currency")
        found += self.within(method.get("amount"), "method-amount")
        if not method["recurring"] and self.recurring is not False:
            found.append("method-recurring" if self.recurring else "method-recurring-unknown")
        if method.get("kinds") is not None:
            if not self.kinds:
                found.append("method-kind-unknown")
            elif not set(self.kinds) <= set(method["kinds"]):
                found.append("method-kind")
        return found

    def account(self, tender: Json) -> list[str]:
        accounts = {account["id"]: account for account in self.checkout["accounts"]}
        account = accounts.get(tender["account"])
        if account is None:
            return ["account-stage"]
        found = []
        if account["stage"] != "connected" or account["mode"] != self.checkout["mode"]:
            found.append("account-stage")
        if tender["method"] not in account["active_methods"]:
            found.append("account-method")
        fronts = account.get("storefronts")
        if fronts is not None and self.checkout["storefront"]["id"] not in fronts:
            found.append("account-storefront")
        return found

    def windows(self, tender: Json) -> list[str]:
        by_currency = {}
        for window in tender.get("windows", []):
            by_currency[minor(next(iter(window.values())))[1]] = window
        books = self.checkout["shop"]["currency"]
        return self.within(by_currency.get(self.currency, by_currency.get(books)), "window")

    def values(self, fact: str) -> list[str] | None:
        """Tells what is known of a fact with a list; None where it is not known."""
        known = {
            "currency": [self.currency],
            "country": [self.cells["buyer_country"]],
            "kind": self.kinds,
            "line": self.lines,
            "delivery": [self.delivery] if self.delivery else [],
        }
        value = self.cells.get(fact)
        return known.get(fact, [value] if value else []) or None

    def lies(self, ids: list[str]) -> bool | None:
        country, postcode = self.cells["buyer_country"], self.cells.get("postcode", "")
        answers: list[bool | None] = []
        for area in self.checkout["areas"]:
            if area["id"] not in ids:
                continue
            prefixes = area.get("postcodes", {}).get(country)
            if country in area.get("countries", []):
                answers.append(True)
            elif prefixes is None:
                answers.append(False)
            elif not postcode:
                answers.append(None)
            else:
                plain = postcode.replace(" ", "").replace("-", "").upper()
                answers.append(any(plain.startswith(prefix) for prefix in prefixes))
        return True if True in answers else None if None in answers else False

    def holds(self, condition: Json) -> bool | None:
        """True if a condition holds; None where what it is about is not known."""
        fact = condition["fact"]
        if fact == "day":
            day = self.cells["placed_on"]
            return condition.get("from", "") <= day and ("below" not in condition or day < condition["below"])
        if "is" in condition:
            signed = {"true": True, "false": False}.get(self.cells.get("signed_in", ""))
            value = self.recurring if fact == "recurring" else signed
            return None if value is None else value is condition["is"]
        asked = condition.get("only") or condition["not"]
        if fact == "area":
            lies = self.lies(asked)
            return None if lies is None else lies is ("only" in condition)
        values = self.values(fact)
        if values is None:
            return None
        if "only" in condition:
            return all(value in asked for value in values)
        return not any(value in asked for value in values)

    def reasons(self, tender: Json) -> list[str]:
        methods = {method["id"]: method for method in self.checkout["methods"]}
        method = methods[tender["method"]]
        found = [] if tender["on"] else ["off"]
        found += self.method(method)
        if not method["own"]:
            found += self.account(tender)
        found += self.windows(tender)
        sets = {each["id"]: each["conditions"] for each in self.checkout["shared_conditions"]}
        asked = [*tender.get("conditions", [])]
        for id in tender.get("shared", []):
            asked += sets[id]
        for fact in FACTS:
            for condition in asked:
                holds = self.holds(condition) if condition["fact"] == fact else True
                if holds is not True:
                    code = f"condition-{fact.replace('_', '-')}"
                    found.append(code if holds is False else f"{code}-unknown")
        network = self.cells.get("card_network")
        if network and tender.get("networks") is not None and network not in tender["networks"]:
            found.append("condition-card-network")
        return found

    def fee(self, tender: Json) -> tuple[int | None, bool] | None:
        """The fee with its tax in minor units (None: a rate is missing), and whether it depends on the network."""
        fee = tender.get("fee")
        if fee is None:
            return None
        networks = fee.get("networks", {})
        network = self.cells.get("card_network")
        if network:
            parts, up_to = [networks.get(network, fee)], False
        else:
            taken = tender.get("networks")
            parts = [fee] + [part for name, part in networks.items() if taken is None or name in taken]
            up_to = bool(networks)
        amounts = []
        for part in parts:
            exact = self.amount * Fraction(part.get("percent", "0")) / 100
            fixed = self.brought(part["fixed"]) if "fixed" in part else Fraction(0)
            if fixed is None:
                return None, False
            rounded = half_up(exact + fixed)
            amounts.append(rounded + half_up(rounded * Fraction(fee.get("tax_percent", "0")) / 100))
        return max(*amounts, -int(self.amount)), up_to

    def rows(self) -> list[str]:
        """The lines of `monedero offer --why`, without the order's id."""
        tenders = self.checkout["tenders"]
        reasons = {tender["id"]: self.reasons(tender) for tender in tenders}
        offered = [tender for tender in tenders if not reasons[tender["id"]]]
        sequence = [None, *(heading["id"] for heading in self.checkout["headings"])]
        in_place = [tender for id in sequence for tender in offered if tender.get("heading") == id]
        several = len({tender.get("heading") for tender in offered}) > 1
        rows = []
        for tender in tenders:
            if reasons[tender["id"]]:
                rows.append(f",{tender['id']},,held-back,,,{self.currency},{' '.join(reasons[tender['id']])}")
                continue
            fee, total, said = "", written(int(self.amount), self.currency), ""
            if (charged := self.fee(tender)) is not None:
                amount, up_to = charged
                fee = "" if amount is None else written(amount, self.currency)
                total = "" if amount is None else written(int(self.amount) + amount, self.currency)
                said = "fee-unknown" if amount is None else "fee-up-to" if up_to else ""
            heading = tender.get("heading") or ""
            place = in_place.index(tender) + 1
            shown = heading if several else ""
            rows.append(f"{place},{tender['id']},{shown},offered,{fee},{total},{self.currency},{said}")
        return rows
