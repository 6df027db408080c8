"""Accounts in the browser: applications, three ways to connect, exclusions, leaving; payments with long stories."""

import re
from pathlib import Path

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from monedero.demo import paper
from tests.browser.desk import Desk

CHART = "?market=es-eur&line=star-chart&amount=85.00&currency=EUR"
FIELDS = "input, textarea"


def wind(desk: Desk, by: str) -> None:
    """Wind the clock forward."""
    desk.click("Test mode", "header button", exact=False)
    desk.click(f"Forward by {by}")
    desk.see("now.")
    desk.keys(Keys.ESCAPE)
    desk.until(lambda: not desk.all("[aria-label='The clock of the test']"))


def clean(desk: Desk) -> None:
    """Nothing is found against accessibility once what fades in or out has done so."""
    desk.until(lambda: desk.violations() == [])


def fill(desk: Desk, label: str, text: str) -> None:
    """Type into a field of a form."""
    field = desk.named(label, FIELDS, exact=False)
    field.clear()
    field.send_keys(text)


def choose(desk: Desk, name: str, value: str) -> None:
    """Choose from a list of the provider's back office."""
    desk.browser.execute_script(f"document.querySelector('select[name={name}]').value = '{value}'")


def test_an_application_is_refused_corrected_and_connected_and_left_again(desk: Desk, tmp_path: Path) -> None:
    desk.open("/accounts/pocketfern" + CHART)
    desk.click("Begin the application")
    desk.click("Go on with the application")
    desk.see("2 things are missing")
    clean(desk)
    desk.click("Send the application to Pocketfern")
    desk.see("This is missing: a telephone number, confirmed by a code.")

    # A paper of the wrong kind is refused in place, a right one is kept.
    wrong, right = tmp_path / "identity.pdf", tmp_path / "new-identity.pdf"
    wrong.write_bytes(b"PK\x03\x04")
    right.write_bytes(paper())
    desk.one("main input[type=file]").send_keys(str(wrong))
    desk.see("is a spreadsheet, a text document or a ZIP file. Choose a PDF, PNG or JPEG file.")
    desk.one("main input[type=file]").send_keys(str(right))
    desk.see("new-identity.pdf")

    # The code lies on the simulated phone; the application is where it was left.
    # A number that is typed and not sent yet stays through leaving, going back and reloading.
    fill(desk, "Number", "912 345 678")
    desk.click("your details and papers")
    desk.see("Name of a person to add")
    fill(desk, "Name of a person to add", "Inês Vaz")
    desk.browser.back()
    desk.until(lambda: desk.named("Number", "input").get_attribute("value") == "912 345 678")
    desk.browser.refresh()
    desk.until(lambda: desk.named("Number", "input").get_attribute("value") == "912 345 678")
    desk.click("your details and papers")
    desk.until(lambda: desk.named("Name of a person to add", "input").get_attribute("value") == "Inês Vaz")
    desk.browser.back()
    desk.click("Send a code")
    desk.click("your simulated phone")
    desk.see("Your code for the application to Pocketfern")
    code = re.search(r"is (\d{6})\.", desk.text())
    assert code is not None
    clean(desk)
    desk.browser.back()
    fill(desk, "Code of six digits", f"{(int(code.group(1)) + 1) % 10**6:06d}")
    desk.click("Confirm the number")
    desk.see("is not the code. 4 tries are left.")
    fill(desk, "Code of six digits", code.group(1))
    desk.click("Confirm the number")
    desk.see("+351912345678, confirmed")
    desk.click("Accept version 2026-01")
    desk.see("version 2026-01, accepted")
    desk.click("Send the application to Pocketfern")
    desk.see("Pocketfern is reviewing your application since")

    # Refused as time passes, corrected, approved.
    desk.open("/simulated-provider/demo/pocketfern/office")
    choose(desk, "verdict", "refuse")
    fill(desk, "Reason or question", "the document has expired")
    desk.click("Tell the reviewer")
    desk.see("the document has expired")
    clean(desk)
    desk.click("Back to its sheet in Monedero")
    desk.see("Pocketfern is reviewing your application")
    wind(desk, "a day")
    wind(desk, "an hour")
    desk.see("The reason: “the document has expired”")
    clean(desk)
    desk.click("Correct it and send it again")
    fill(desk, "Your answer to Pocketfern", "Here is the new one.")
    desk.click("Send the answer")
    desk.see("You answered: “Here is the new one.”")
    wind(desk, "a week")
    desk.click("Its sheet")
    desk.see("Pocketfern approved you; the account is not connected yet")

    # Signed in there, and back to where one was.
    desk.click("Connect it")
    desk.click("Sign in at Pocketfern")
    desk.see("Monedero asks to use an account of yours in test mode")
    clean(desk)
    desk.click("Allow it for Cabo Noite, Lda.", "button", exact=False)
    desk.see("Connected since")
    desk.until(lambda: "Pocketfern wallet" in desk.ways())
    desk.open("/accounts/connected?state=forged&code=forged")
    desk.see("Nothing was connected; begin again from the account.")

    # Leaving says first what it takes away; it can be undone.
    desk.open("/accounts/pocketfern" + CHART)
    desk.click("Disconnect")
    desk.see("These ways to pay leave the draft of your checkout: Pocketfern wallet.")
    clean(desk)
    desk.click("Disconnect Pocketfern")
    desk.see("You disconnected the account")
    desk.until(lambda: "Pocketfern wallet" not in desk.ways())
    desk.click("Undo")
    desk.until(lambda: "Pocketfern wallet" in desk.ways())


def enter(desk: Desk, name: str) -> None:
    """Go by Tab to what bears this name, and press it."""
    desk.tab_to(name)
    desk.keys(Keys.ENTER)


def test_exclusion_mail_and_keys_by_keyboard(desk: Desk) -> None:
    # Two providers that cannot both be on: said before the choice.
    desk.open("/accounts/mirabou" + CHART)
    desk.see("It cannot be on beside Quayling, which you hold.")
    assert "Begin the application" not in desk.texts("main button")
    enter(desk, "Look at Quayling first")
    desk.see("Buyers pay in instalments")
    enter(desk, "Disconnect")
    desk.see("These ways to pay leave the draft of your checkout: Instalments.")
    enter(desk, "Disconnect Quayling")
    desk.see("You disconnected the account")

    # By the address of the account.
    desk.open("/simulated-provider/demo/mirabou/office")
    enter(desk, "Open it")
    desk.see("owner@shop.example")
    desk.open("/accounts/mirabou" + CHART)
    enter(desk, "Begin the application")
    enter(desk, "Withdraw Mirabou")
    desk.see("Nothing is begun with Mirabou in test mode.")
    enter(desk, "Begin the application")
    enter(desk, "I have an account there already")
    desk.tab_to("E-mail address of your Mirabou account")
    desk.keys("nobody@shop.example", Keys.ENTER)
    desk.see("The provider knows no such credentials.")
    desk.tab_to("E-mail address of your Mirabou account", back=True)
    desk.chord(Keys.CONTROL, "a")
    desk.keys("owner@shop.example", Keys.ENTER)
    desk.see("Mirabou has written to that address.")
    desk.open("/accounts/letters" + CHART)
    desk.see("Use your Mirabou account with Monedero?")
    enter(desk, "Yes, connect it")
    desk.see("Connected as")
    desk.see("owner@shop.example")

    # A key of the wrong mode; then the right one.
    desk.open("/simulated-provider/demo/brixavo/office")
    test_keys = desk.texts("code")
    choose(desk, "mode", "live")
    enter(desk, "Open it")
    desk.see("live mode")
    live_keys = desk.texts("code")[-2:]
    desk.open("/accounts/brixavo" + CHART)
    desk.tab_to("Phone and mailbox")
    desk.keys(Keys.TAB, Keys.ARROW_RIGHT)
    desk.until(lambda: desk.browser.switch_to.active_element.text == "Live mode")
    desk.keys(Keys.ENTER)
    desk.see("Nothing is begun with Brixavo in live mode.")
    enter(desk, "Begin the application")
    enter(desk, "I have an account there already")
    for keys, then in ((test_keys, "These are credentials for test mode."), (live_keys, "Connected since")):
        for label, key in zip(("Opening key", "Closing key"), keys, strict=True):
            desk.named(label, FIELDS).clear()
            desk.tab_to(label)
            desk.keys(key)
        desk.keys(Keys.ENTER)
        desk.see(then)
        clean(desk)
    desk.see("ends in " + live_keys[0][-4:])
    assert live_keys[0] not in desk.text()

    # A gateway of one's own, at an address that cannot be, then at one that can.
    enter(desk, "Add a gateway of your own")
    desk.tab_to("Name of your gateway")
    desk.keys("Tavi", Keys.TAB, "nowhere", Keys.ENTER)
    desk.see("nowhere", "[role=alert]")
    clean(desk)
    desk.tab_to("Its address", back=True)
    desk.chord(Keys.CONTROL, "a")
    desk.keys("http://127.0.0.1:8500", Keys.ENTER)
    desk.see("Nothing is begun with Tavi in")


def test_a_debit_is_returned_after_the_goods_went_out_and_money_goes_back_in_part(desk: Desk) -> None:
    desk.open("/checkout" + CHART)
    desk.see("offered first")
    # A debit through the provider where it is active.
    desk.open("/compare" + CHART)
    desk.click("How the cost of SEPA direct debit, Orlenta, Start came about", exact=False)
    desk.click("Add to checkout: SEPA direct debit, Orlenta, Start")
    desk.click("Checkout", "nav a", exact=False)
    desk.click("SEPA direct debit (Orlenta) switched on", "[role=switch]")
    desk.until(lambda: "SEPA direct debit (Orlenta)" in desk.ways())
    desk.click("SEPA direct debit (Orlenta)", "aside input[type=radio]")
    desk.click("Pay €85.00", "aside button")
    desk.click("Paid later: the debit is confirmed in some days")
    desk.see("Your payment is on its way")
    desk.click("Back to the desk, to its record")
    desk.see("keep the goods back")
    wind(desk, "a week")
    desk.see("send the goods; the stock is sold")
    desk.click("They went out")
    desk.see("the goods are out")
    desk.open("/simulated-provider/demo/orlenta/office")
    desk.click("The buyer takes the debit back, order 1001")
    desk.see("returned")
    desk.open("/rehearse" + CHART)
    desk.see("You ask for the goods back, worth 85.00 EUR")
    desk.see("The buyer owes 85.00 EUR")
    clean(desk)

    # A partial refund; more than there is, is refused.
    desk.click("Card", "aside input[type=radio]")
    desk.click("Pay €85.00", "aside button")
    desk.click("Paid")
    desk.click("Back to the desk, to its record")
    desk.see("Order 1002")
    fill(desk, "Amount to give back, EUR", "90.00")
    desk.click("Refund it")
    desk.see("90.00 EUR is more than there is. Write 85.00 EUR at the most.")
    fill(desk, "Amount to give back, EUR", "20.00")
    desk.click("Refund it")
    desk.see("20.00 EUR was refunded by Card.")
    desk.see("€20.00 of the €85.00 that you paid by Card")
    clean(desk)

    # An exchange can be read, and counted once more by hand.
    desk.open("/accounts/orlenta/notifications" + CHART)
    moved = "Something happened to the payment, order 1002"
    desk.see(moved)

    def opened() -> bool:
        row = next(row for row in desk.all("main li") if moved in row.text and "\ncounted" in row.text)
        row.find_element(By.TAG_NAME, "summary").click()
        return True

    desk.until(opened)
    desk.click("Count it once more, by hand", "button", exact=False)
    desk.see("It was known already, counted once.")
    clean(desk)
