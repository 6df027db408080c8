"""Compare in full: the ruler, the ranking, side by side, rate cards, past orders; by mouse and by keyboard."""

from pathlib import Path

import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk

LOW = BOAT.replace("85.00", "12.00")
ORDERS = """Order no;Date;Total;Currency;Country;Product;Card type
A-1;03.10.2026;85,00;EUR;Spain;Night boat tour;consumer-debit
A-2;04.10.2026;1.085,50;EUR;Portugal;Night boat tour;consumer-credit
A-3;05.10.2026;eighty;EUR;Spain;Night boat tour;
A-4;31.02.2026;85,00;EUR;Spain;Night boat tour;
A-5;06.10.2026;0,00;EUR;Spain;Printable sky maps;
"""


def routes(desk: Desk) -> list[str]:
    read = "return [...document.querySelectorAll('[data-route]')].map((row) => row.getAttribute('data-route'))"
    found: list[str] = desk.browser.execute_script(read)
    return found


def first(desk: Desk) -> str:
    return routes(desk)[0]


def ready(desk: Desk, path: str) -> None:
    desk.open(path)
    desk.until(lambda: routes(desk) and desk.all("svg [role=slider]"))


def test_the_cursor_is_dragged_over_a_break_even_and_the_first_place_changes(desk: Desk) -> None:
    # The kind of curve does not change the ranking.
    ready(desk, "/compare" + LOW + "&of=fees&show=money")
    assert first(desk) == "cash-on-the-day"
    ready(desk, "/compare" + LOW)
    before = first(desk)
    assert before == "cash-on-the-day"
    slider = desk.one("svg [role=slider]")
    ActionChains(desk.browser).move_to_element(
        slider.find_element(By.CSS_SELECTOR, "rect")
    ).click_and_hold().move_by_offset(20, 60).move_by_offset(120, 0).pause(0.2).move_by_offset(
        60, 0
    ).release().perform()
    desk.until(lambda: first(desk) == "orlenta/start/sepa-direct-debit")
    desk.until(lambda: "amount=12.00" not in desk.browser.current_url)
    amount = desk.named("Amount of the order", "input").get_attribute("value")
    assert float(amount or 0) > 16
    # The buyer's view has followed.
    desk.see(f"Pay €{amount}", "aside")
    assert desk.violations() == []


def test_the_cursor_is_moved_by_keys_and_the_figures_stand_in_a_table(desk: Desk) -> None:
    ready(desk, "/compare" + LOW)
    desk.tab_to("Amount of the order in hand", exact=True)
    desk.chord(Keys.SHIFT, Keys.ARROW_RIGHT)
    desk.until(lambda: "amount=12.00" not in desk.browser.current_url)
    desk.keys(Keys.PAGE_UP, Keys.PAGE_UP)
    desk.until(lambda: first(desk) == "orlenta/start/sepa-direct-debit")
    desk.keys(Keys.ARROW_LEFT, Keys.ARROW_RIGHT)
    desk.tab_to("The same figures as a table")
    desk.keys(Keys.ENTER)
    desk.see("Cheapest for every amount of the order, EUR")
    # 0.25 + 1 % of cash, there at once, against 0.35 + 0.0525 of a debit and 19/7 days at 8 %: worked by hand.
    desk.see("155855/9612")
    assert desk.violations() == []


def test_an_assumption_is_edited_beside_its_figure(desk: Desk) -> None:
    ready(desk, "/compare" + BOAT)
    desk.click("How the cost of Card, Tessaline came about", exact=False)
    desk.see("All in, for this order")
    desk.see("0.1 % of orders x (20 EUR; 65 % lost of 85 EUR; 45 minutes at 15 EUR an hour)")
    desk.see("Rate any on Tessaline's card, holds from 1 Jan 2026.")
    desk.type_into("Orders disputed, card", "2")
    desk.see("2 % of orders x (20 EUR; 65 % lost of 85 EUR; 45 minutes at 15 EUR an hour)")
    desk.type_into("Orders disputed, card", "many")
    desk.see("“many” is not a percentage of zero or more.")
    desk.named("Orders disputed, card", "input").send_keys(Keys.ESCAPE)
    assert desk.violations() == []
    desk.click("Go back to the default of Orders disputed, card")
    desk.see("0.1 % of orders x (20 EUR; 65 % lost of 85 EUR; 45 minutes at 15 EUR an hour)")


def test_three_routes_side_by_side_by_keyboard(desk: Desk) -> None:
    ready(desk, "/compare" + BOAT)
    for name in ("SEPA direct debit, Orlenta, Start", "Cash on the day", "Bank transfer"):
        desk.tab_to(f"Put side by side: {name}", exact=True)
        desk.keys(Keys.SPACE)
    desk.see("the best of a row is in bold")
    text = desk.text("section[aria-labelledby=beside]")
    assert text.index("Cost of this order, all in") < text.index("Card data")
    assert "by hand, with a transfer or cash of your own" in text
    assert desk.violations() == []
    desk.click("Take away: Bank transfer")
    desk.until(lambda: "Take away: Bank transfer" not in [b.accessible_name for b in desk.all("button")])
    desk.browser.refresh()
    desk.see("the best of a row is in bold")
    desk.click("Close")
    desk.until(lambda: not desk.all("section[aria-labelledby=beside]"))


def test_the_ranking_is_sorted_and_filtered(desk: Desk) -> None:
    ready(desk, "/compare" + BOAT)
    cheapest = first(desk)
    desk.click("earns")
    desk.until(lambda: first(desk) != cheapest)
    assert desk.one("th[aria-sort=ascending]").text == "earns"
    desk.click("cost, EUR")
    desk.until(lambda: first(desk) == cheapest)
    desk.pick("Family of methods", "card")
    desk.until(lambda: all(route.endswith("/card") for route in routes(desk)))
    desk.pick("Provider", "Tessaline")
    desk.until(lambda: routes(desk) == ["tessaline/split/card"])
    desk.click("reach and terms", "[role=radio]")
    desk.see("24 months at the least")
    desk.until(lambda: desk.violations() == [])


def test_a_rate_is_corrected_and_the_fee_moves_as_it_is_typed(desk: Desk) -> None:
    desk.open("/compare/cards/orlenta/2026-01-01" + BOAT)
    desk.see("Orlenta's rate card")
    desk.until(lambda: desk.text("[data-fee=card-any-start]") == "1.87 EUR")
    field = desk.named("percent of card-any-start", "input")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("0.1")
    # Typed, and not kept yet.
    desk.until(lambda: desk.text("[data-fee=card-any-start]") == "0.34 EUR")
    field.send_keys("x")
    desk.see("what is typed cannot be priced yet")
    field.send_keys(Keys.ENTER)
    desk.see("“0.1x” is not a percentage of zero or more.")
    field.send_keys(Keys.ESCAPE)
    desk.until(lambda: desk.text("[data-fee=card-any-start]") == "1.87 EUR")
    desk.type_into("percent of card-any-start", "0.1")
    desk.until(lambda: desk.text("[data-fee=card-any-start]") == "0.34 EUR")
    desk.click("For which orders, debit-flat", exact=False)
    assert desk.violations() == []
    desk.click("Routes", "nav a")
    desk.until(lambda: first(desk) == "orlenta/start/card")
    # Steps by the account's month are typed, and a wrong one keeps the card as it was.
    desk.open("/compare/cards/dovetide/2026-04-01" + BOAT)
    desk.click("For which orders, wallet-club", exact=False)
    steps = "Percent by the account's month, wallet-club, such as 2 below 10000 EUR, 1.5"
    desk.type_into(steps, "1.3 below 3000 EUR, 0.8")
    desk.see("1.3 % below 3000.00 EUR a month, 0.8 % from there")
    desk.type_into(steps, "1.3 below lots, 0.8")
    desk.see("“lots” is not money.")
    desk.see("1.3 % below 3000.00 EUR a month, 0.8 % from there")
    # A rate is removed and put back.
    desk.open("/compare/cards/brixavo/2026-03-01" + BOAT)
    desk.click("Remove debit")
    desk.until(lambda: not desk.all("[data-fee=debit]"))
    desk.click("Undo")
    desk.until(lambda: desk.all("[data-fee=debit]"))


def test_a_new_version_of_a_card_prices_from_its_day(desk: Desk) -> None:
    desk.open("/compare/cards/quayling/2026-02-01" + BOAT)
    desk.click("New version from tomorrow on")
    desk.until(lambda: "2026-02-01" not in desk.browser.current_url)
    desk.type_into("Holds from", "2026-11-01")
    desk.until(lambda: "2026-11-01" in desk.browser.current_url)
    desk.see("1 Nov 2026, prices today")
    desk.type_into("Holds from", "2026-02-01")
    desk.see("There are two rate cards of Quayling from the same day.")
    desk.named("Holds from", "input").send_keys(Keys.ESCAPE)
    desk.click("Remove this version")
    desk.until(lambda: "2026-02-01" in desk.browser.current_url)
    desk.see("1 Feb 2026, prices today")


@pytest.mark.parametrize("by_keyboard", [False, True])
def test_a_file_with_broken_rows_is_read_and_the_month_comes_from_it(
    desk: Desk, tmp_path: Path, by_keyboard: bool
) -> None:
    file = tmp_path / "orders.csv"
    file.write_text(ORDERS, "utf-8")

    def press(name: str) -> None:
        if by_keyboard:
            desk.tab_to(name)
            desk.keys(Keys.ENTER)
        else:
            desk.click(name, exact=False)

    desk.open("/shop/orders" + BOAT)
    desk.see("Past orders from a file")
    if by_keyboard:
        desk.tab_to("Choose a file of past orders")
    desk.one("input[type=file]").send_keys(str(file))
    desk.see("The first rows as they are understood")
    desk.see("1,085.50 EUR")
    desk.see("Of the first 5 rows 2 cannot be read so.")
    assert desk.violations() == []
    press("Read 3 of 5 rows")
    desk.see("3 orders are new, 0 were there already.")
    desk.see("“eighty” is not an amount.")
    desk.see("“31.02.2026” is not a day written as day, month, year.")
    assert desk.named("Download all 2 refused rows", "a")
    assert desk.violations() == []
    press("Close")
    desk.see("2 paid, from 3 Oct 2026 to 4 Oct 2026")
    press("Type the month from them")
    desk.until(lambda: desk.named("Orders a month: Night boat tour, Spain", "input").get_attribute("value") == "1")
    press("Undo")
    desk.until(
        lambda: desk.named("Orders a month: Night boat tour, Spain", "input").get_attribute("value") == "14"
    )
    # The same file again changes nothing.
    desk.one("input[type=file]").send_keys(str(file))
    desk.see("The columns are matched as you did the last time.")
    press("Read 3 of 5 rows")
    desk.see("0 orders are new, 3 were there already.")


def test_a_file_that_is_no_table(desk: Desk, tmp_path: Path) -> None:
    file = tmp_path / "picture.xlsx"
    file.write_bytes(b"PK\x03\x04 not a sheet")
    desk.open("/shop/orders" + BOAT)
    desk.see("Past orders from a file")
    desk.one("input[type=file]").send_keys(str(file))
    desk.see("This looks like a spreadsheet, and cannot be read as one")
    assert desk.violations() == []


def test_the_catalogue_is_asked_and_an_application_is_begun(desk: Desk) -> None:
    desk.open("/compare/catalogue" + BOAT)
    desk.type_into("Your question", "Who carries bank debits for recurring memberships in euro?")
    desk.see("Understood: bank debit, every month, membership, EUR. 2 found.")
    desk.type_into("Your question", "Mirabou")
    desk.see("does not take the trade outings")
    assert desk.violations() == []
    ready(desk, "/compare" + BOAT)
    desk.click("How the cost of Account wallet, Pocketfern came about", exact=False)
    desk.click("Begin an application with Pocketfern")
    desk.see("The application with Pocketfern is begun.")
    desk.see("application begun")


def test_plans_tell_which_pays_and_what_one_provider_costs(desk: Desk) -> None:
    desk.open("/compare/plans" + BOAT)
    desk.see("One provider for everything")
    desk.see("From which volume a plan pays")
    desk.see("4,500.00")
    assert desk.violations() == []
    desk.open("/shop/orders" + BOAT)
    desk.type_into("Orders a month: Night boat tour, Spain", "lots")
    desk.see("“lots” is not a percentage")
