"""Every change that is offered to end a finding ends it, and does no more than that; tried on every order."""

import json
from fractions import Fraction
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.coverage.answer import Coverage, Found, coverage
from monedero.core.checkout.coverage.fixes import Fixes
from monedero.core.checkout.coverage.widen import OF_ACCOUNT, Act, Fix, Widening
from monedero.core.checkout.decision import Decision
from monedero.core.checkout.model import Tender
from monedero.core.checkout.widening import can_widen
from monedero.core.money import Money
from monedero.core.reasons import ReasonCode
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile, read
from monedero.formats.coverage_json import box_of
from tests.core.checkout.coverage.spelled_orders import (
    MARKETS,
    Spelled,
    examined,
    file_of,
    plain,
    spelled,
    with_tenders,
)
from tests.core.checkout.drawn_checkouts import BASE, checkouts
from tests.properties import tried_on

RATES = reference_rates.bundled()


class Tried:
    """A checkout with its coverage, its orders spelled out, and what would end its findings."""

    def __init__(self, file: CheckoutFile, out: tuple[str, ...] = ()) -> None:
        self.file, self.decision, self.setting = file, file.decision(RATES), file.setting(RATES)
        self.examined = examined(file)
        self.found: Coverage = coverage(self.examined)
        self.fixes = Fixes(self.examined, Widening(self.examined, file.shared_conditions, self.setting, out))

    def offered(self, fix: Fix, order: Spelled) -> set[str]:
        """Tells what an order is offered with a fix, the accounts that it waits for ready."""
        decision = self.changed(fix.tenders)
        outcomes = decision.outcomes(self.file.order_of(order.order))
        ready = {id for id, tender in self.by_id(fix).items() if tender.carried_by in fix.accounts}
        return {
            outcome.tender.id
            for outcome in outcomes
            if all(reason.code in OF_ACCOUNT and outcome.tender.id in ready for reason in outcome.reasons)
        }

    def by_id(self, fix: Fix) -> dict[str, Tender]:
        return {tender.id: tender for tender, _ in self.decision.tenders} | {t.id: t for t in fix.tenders}

    def changed(self, tenders: tuple[Tender, ...]) -> Decision:
        by_id = {tender.id: tender for tender in tenders}
        every = [by_id.get(tender.id, tender) for tender, _ in self.decision.tenders]
        return Decision(every, self.setting, self.file.shared_conditions, self.file.headings)

    def inside(self, found: Found, orders: list[Spelled]) -> list[Spelled]:
        box = plain(box_of(found.region, found.box))
        return [order for order in orders if box.holds(order)]

    def codes(self, order: Spelled, tender: str) -> set[ReasonCode]:
        outcomes = self.decision.outcomes(self.file.order_of(order.order))
        return {reason.code for outcome in outcomes if outcome.tender.id == tender for reason in outcome.reasons}


def can_end(code: ReasonCode) -> bool:
    return code in OF_ACCOUNT or can_widen(code)


def needed(tried: Tried, fix: Fix, orders: list[Spelled]) -> None:
    """Every act ends a reason that stands against one of the orders, and all that a tender is kept by is ended."""
    for tender in fix.tenders:
        acts = {act.code for act in fix.acts if act.tender == tender.id}
        codes = [tried.codes(order, tender.id) for order in orders]
        assert all(any(code in some for some in codes) or code in OF_ACCOUNT for code in acts if code)


@tried_on(12)
@given(checkouts(), st.sampled_from(MARKETS))
def test_every_fix_ends_its_dead_end_and_none_is_missed(raw: dict[str, Any], market: dict[str, str]) -> None:
    tried = Tried(file_of(raw, [market]))
    orders = spelled(tried.file)
    for found in tried.found.dead_ends:
        inside = tried.inside(found, orders)
        fixes = tried.fixes.of_dead_end(found)
        for fix in fixes:
            assert fix.acts
            assert all(tried.offered(fix, order) for order in inside), fix
            needed(tried, fix, inside)
        # A tender that nothing but the shop's own keeps from all of the orders can end it by itself.
        alone = [
            tender.id
            for tender, _ in tried.decision.tenders
            if all(can_end(code) for order in inside for code in tried.codes(order, tender.id))
        ]
        assert bool(fixes) or not alone
        assert not alone or all(len(fix.tenders) == 1 and fix.tenders[0].id in alone for fix in fixes)


@tried_on(12)
@given(checkouts(), st.sampled_from(MARKETS))
def test_every_fix_puts_a_second_tender_beside_a_single_one(raw: dict[str, Any], market: dict[str, str]) -> None:
    tried = Tried(file_of(raw, [market]))
    orders = spelled(tried.file)
    for found in tried.found.single_tenders:
        inside = tried.inside(found, orders)
        for fix in tried.fixes.of_single(found):
            assert all(len(tried.offered(fix, order)) > 1 for order in inside), fix
            assert found.tender not in {tender.id for tender in fix.tenders}
            needed(tried, fix, inside)


@tried_on(12)
@given(checkouts(), st.sampled_from(MARKETS))
def test_every_fix_lets_orders_be_paid_without_a_fee(raw: dict[str, Any], market: dict[str, str]) -> None:
    tried = Tried(file_of(raw, [market]))
    orders = spelled(tried.file)
    for found in tried.found.fee_only:
        for order in tried.inside(found, orders):
            for fix in tried.fixes.of_fee_only(found):
                decision = tried.changed(fix.tenders)
                known = tried.file.order_of(order.order)
                assert any(not decision.costs_more(id, known) for id in tried.offered(fix, order)), fix


@tried_on(8)
@given(checkouts())
def test_every_fix_lets_an_order_reach_what_nothing_reached(raw: dict[str, Any]) -> None:
    tried = Tried(file_of(raw, MARKETS[:1]))
    orders = spelled(tried.file) if tried.found.unreachable else []
    for tender in tried.found.unreachable:
        [*fixes] = tried.fixes.of_unreachable(tender)
        codes = [tried.codes(order, tender) for order in orders]
        fewest = [
            len({code if code not in OF_ACCOUNT else "account" for code in some})
            for some in codes
            if all(map(can_end, some))
        ]
        assert bool(fixes) is bool(fewest)
        for fix in fixes:
            assert any(tender in tried.offered(fix, order) for order in orders)
            assert len(fix.acts) == min(fewest)


def test_a_limit_is_moved_just_as_far_as_the_amounts_go() -> None:
    file = with_tenders(
        {"id": "cash", "windows": [{"from": "10.00 EUR", "up_to": "50.00 EUR"}]},
        {"id": "card", "windows": [{"from": "80.00 EUR"}]},
        {"id": "coins", "windows": [{"up_to": "5.00 EUR"}]},
    )
    tried = Tried(file)
    between, above = sorted(tried.found.dead_ends, key=lambda found: found.example.amount.minor)
    acts = [fix.acts for fix in tried.fixes.of_dead_end(above)]
    # From 50.01 to 79.99: cash up to 79.99, card from 50.01.
    assert acts == [
        (Act("cash", ReasonCode.WINDOW_OVER, limit=Money(7999, "EUR")),),
        (Act("card", ReasonCode.WINDOW_UNDER, limit=Money(5001, "EUR")),),
        (Act("coins", ReasonCode.WINDOW_OVER, limit=Money(7999, "EUR")),),
    ]
    assert [act.limit for fix in tried.fixes.of_dead_end(between) for act in fix.acts] == [
        Money(501, "EUR"),
        Money(501, "EUR"),
        Money(999, "EUR"),
    ]


def test_a_limit_in_another_currency_is_moved_to_the_least_that_lets_the_amounts_in() -> None:
    yen = [MARKETS[2]]
    file = with_tenders(
        {"id": "cash", "windows": [{"up_to": "50.00 EUR"}]},
        {"id": "card", "windows": [{"from": "20000 JPY"}]},
        markets=yen,
    )
    tried = Tried(file)
    # 160.5 yen for a euro: 50.00 EUR are 8,025 yen, so that nobody can pay from 8,026 to 19,999.
    [found] = tried.found.dead_ends
    [lifted, _] = tried.fixes.of_dead_end(found)
    [act] = lifted.acts
    assert act.limit is not None
    assert (act.limit.minor - 1) * Fraction("1.605") < 19999 <= act.limit.minor * Fraction("1.605")


def test_a_limit_that_goes_does_not_let_the_one_of_the_books_hold() -> None:
    windows = [{"from": "32 JPY"}, {"from": "1.00 EUR"}]
    tried = Tried(with_tenders({"id": "cash", "windows": windows}, markets=[MARKETS[2]]))
    [found] = tried.found.dead_ends
    [fix] = tried.fixes.of_dead_end(found)
    # Without the window in yen an order of 1 JPY would have to be 1.00 EUR, brought over.
    assert [str(window.from_) for window in fix.tenders[0].windows] == ["1 JPY", "1.00 EUR"]
    assert all(tried.offered(fix, order) for order in tried.inside(found, spelled(tried.file)))


def test_two_tenders_together_end_what_none_of_them_can_alone() -> None:
    file = with_tenders(
        {"id": "goods", "on": False, "method_is": {"kinds": ["goods"]}},
        {"id": "others", "method_is": {"kinds": ["course", "membership"]}, "windows": [{"up_to": "9 EUR"}]},
        {"id": "clubs", "on": False, "method_is": {"kinds": ["membership"]}},
    )
    # Without carts of goods and a course together, which neither carries.
    raw = json.loads(json.dumps(BASE["lines"]))
    raw[0]["recurring"] = raw[1]["recurring"] = True
    raw[3]["recurring"] = False
    file = file.model_copy(update={"lines": read(json.dumps({**BASE, "lines": raw}).encode()).lines})
    tried = Tried(file)
    wide = next(found for found in tried.found.dead_ends if found.box.carts.bit_count() > 3)
    [fix] = tried.fixes.of_dead_end(wide)
    assert {(act.tender, act.code) for act in fix.acts} == {
        ("goods", ReasonCode.OFF),
        ("others", ReasonCode.WINDOW_OVER),
    }


def test_an_account_that_is_out_is_never_opened() -> None:
    file = with_tenders({"id": "card", "method_is": {"own": False}, "account": "orlenta"})
    assert [fix.accounts for fix in Tried(file).fixes.of_unreachable("card")] == [("orlenta",)]
    out = Tried(file, ("orlenta",))
    assert out.fixes.of_unreachable("card") == []
    assert [out.fixes.of_dead_end(found) for found in out.found.dead_ends] == [[]]


def test_an_account_that_lacks_several_things_is_one_act() -> None:
    account = {"id": "orlenta", "provider": "orlenta", "mode": "test", "stage": "in-review", "active_methods": []}
    file = with_tenders({"id": "card", "method_is": {"own": False}, "account": "orlenta"}, accounts=[account])
    [fix] = Tried(file).fixes.of_unreachable("card")
    assert [act.code for act in fix.acts] == [ReasonCode.ACCOUNT_STAGE]


def test_a_second_tender_of_another_account_comes_before_one_of_the_same() -> None:
    account = {"mode": "test", "stage": "connected", "active_methods": ["a", "b", "c"]}
    card = {"method_is": {"own": False}, "on": False}
    file = with_tenders(
        {"id": "a", **card, "on": True, "account": "one"},
        {"id": "b", **card, "account": "one"},
        {"id": "c", **card, "account": "two"},
        accounts=[{"id": id, "provider": id, **account} for id in ("one", "two")],
    )
    tried = Tried(file)
    [found] = tried.found.single_tenders
    assert [fix.tenders[0].id for fix in tried.fixes.of_single(found)] == ["c", "b"]


def test_a_fee_is_taken_off_or_a_way_without_one_is_offered() -> None:
    fee = {"fee": {"percent": "1"}}
    file = with_tenders(
        {"id": "card", **fee},
        {"id": "wallet", "windows": [{"up_to": "20.00 EUR"}], **fee},
        {"id": "cash", "windows": [{"up_to": "0.30 EUR"}]},
    )
    tried = Tried(file)
    [found] = tried.found.fee_only
    # A fee of one percent is above nothing from 0.50 on; the wallet does not carry all of the orders.
    assert found.region.begins[found.box.first] == 50
    assert [fix.acts for fix in tried.fixes.of_fee_only(found)] == [
        (Act("card", None),),
        (Act("cash", ReasonCode.WINDOW_OVER),),
    ]
    assert [fix.tenders[0].fee for fix in tried.fixes.of_fee_only(found)] == [None, None]


def test_what_its_method_cannot_carry_is_no_fix() -> None:
    euro = {"currencies": ["EUR"]}
    file = with_tenders(
        {"id": "bank", "method_is": euro}, {"id": "debit", "method_is": euro}, markets=[MARKETS[2]]
    )
    tried = Tried(file)
    assert [tried.fixes.of_dead_end(found) for found in tried.found.dead_ends] == [[]]
    assert tried.fixes.of_unreachable("bank") == []


def test_an_order_reaches_a_tender_by_the_fewest_acts() -> None:
    never = [{"fact": "country", "only": ["FR"]}, {"fact": "device", "only": ["phone"]}]
    tried = Tried(with_tenders({"id": "card", "on": False, "conditions": never}))
    [fix] = tried.fixes.of_unreachable("card")
    assert [(act.code, act.values) for act in fix.acts] == [
        (ReasonCode.OFF, ()),
        (ReasonCode.CONDITION_COUNTRY, ("PT",)),
    ]
