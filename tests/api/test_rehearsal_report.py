"""The report of a rehearsal for print: of the draft and of each edition, with the evidence of its own content."""

import re

import pytest

from monedero.core.money import Money
from monedero.core.payment.books import PARTS_OF_BOOKS
from monedero.core.rehearsal.evidence import DifferenceKept, Evidence, MessageKept, StepKept
from monedero.core.rehearsal.expected import What
from monedero.store.rehearsals import CONTENTS, KeptEvidence
from monedero.work.context import Actor, Context
from monedero.work.rehearsal.plan import Standing, planned_cases
from tests.api.shopkeeper import Shopkeeper
from tests.api.test_editions import publish

REPORT = "/api/checkouts/web-shop/rehearsal/report"
CASE = "card paid once"


def context_of(keeper: Shopkeeper) -> Context:
    return Context.of(keeper.running.store, Actor.OWNER, keeper.running.clock.now(), "web-shop")


def case_now(keeper: Shopkeeper) -> tuple[Standing, str]:
    """How the case of the draft stands, and the page that its evidence keeps."""
    [planned] = [each for each in planned_cases(context_of(keeper)) if each.case.id == CASE]
    return planned.standing, planned.evidence.page if planned.evidence else ""


def keep(keeper: Shopkeeper, page: str, *differences: DifferenceKept) -> None:
    """The case was played of the draft as it is."""
    context = context_of(keeper)
    [planned] = [each for each in planned_cases(context) if each.case.id == CASE]
    evidence = Evidence(
        at=context.now,
        line="Night boat tour",
        ordered=Money(8500, "EUR"),
        page=page,
        messages=[MessageKept(at=context.now, subject=f"Your order: {page}", text="Thank you.")],
        steps=[StepKept(at=context.now, text="The money came.", by="provider", state="paid")],
        books={part: Money(100 + at, "EUR") for at, part in enumerate(PARTS_OF_BOOKS)},
        fees=[Money(153, "EUR")],
        differences=list(differences),
    )
    context.shop.rehearsals.put("web-shop", {CASE: KeptEvidence(planned.fingerprint, evidence)})


def printed(keeper: Shopkeeper, edition: int | None = None) -> str:
    answer = keeper.client.get(REPORT, params={} if edition is None else {"edition": edition})
    assert answer.status_code == 200, answer.text
    assert answer.headers["content-type"].startswith("text/html")
    return re.sub(r"\s+", " ", answer.text)


def test_it_says_every_case_of_every_way_and_what_it_came_to(keeper: Shopkeeper) -> None:
    keep(keeper, "Thank you", DifferenceKept(what=What.FEE, expected="1.53 EUR", came="1.54 EUR"))
    page = printed(keeper)
    cases = planned_cases(context_of(keeper))
    assert page.count("<tr>") == len(cases) + page.count("<thead>")
    assert f"{len(cases) - 1} not played, 1 failed" in page
    for told in (
        *(
            "Cabo Noite",
            "The draft, test mode.",
            "Night boat tour for 85.00 EUR",
            "1.02 EUR taken",
            "fee 1.53 EUR",
        ),
        *("1.04 EUR released", "1.05 EUR refunded", "1.06 EUR given as shop credit", "1.07 EUR disputed"),
        *("1.08 EUR lost", "1.09 EUR returned", "you have 1.10 EUR"),
        *("Your order: Thank you", "By its prices the provider charges 1.53 EUR"),
    ):
        assert told in page, told


def test_an_edition_keeps_the_evidence_of_its_own_content(keeper: Shopkeeper) -> None:
    keep(keeper, "of the first")
    keeper.settings("card", name="Bank card")
    assert case_now(keeper)[0] is Standing.STALE
    keep(keeper, "of the second")
    second = publish(keeper)["id"]
    assert "of the first" in printed(keeper, 1)
    assert "of the second" in printed(keeper, second)
    assert "of the first" not in printed(keeper, second)
    assert re.search(r"Edition 1, test mode, published on \d+ \w+ 2026, \d\d:\d\d\.", printed(keeper, 1))
    # Evidence of something else is told as stale, and none of it is printed.
    keeper.settings("card", name="Any card")
    assert "played before something that it rests on changed" in printed(keeper)
    assert "of the second" not in printed(keeper)
    # A content of before need not be played again.
    keeper.settings("card", name="Card")
    assert case_now(keeper) == (Standing.PASSED, "of the first")


def test_the_contents_that_were_played_last_are_kept(keeper: Shopkeeper) -> None:
    names = [f"Card {number}" for number in range(CONTENTS + 1)]
    for name in names:
        keeper.settings("card", name=name)
        keep(keeper, name)
    standings = []
    for name in names:
        keeper.settings("card", name=name)
        standings.append(case_now(keeper))
    assert standings == [
        (Standing.STALE, names[-1]),
        *((Standing.PASSED, name) for name in names[1:]),
    ]


@pytest.mark.parametrize(
    "path", [f"{REPORT}?edition=99", REPORT.replace("web-shop", "pier-counter") + "?edition=1"]
)
def test_an_edition_that_the_storefront_has_not_is_refused(keeper: Shopkeeper, path: str) -> None:
    assert keeper.client.get(path).status_code == 404


def test_text_of_the_owner_is_only_text(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="<script>alert(1)</script>")
    assert "<script>" not in printed(keeper)
    assert "&lt;script&gt;alert(1)&lt;/script&gt;" in printed(keeper)
