"""Tests what buyers read and need to pay: written at the desk, met on a phone, by keyboard, in other languages."""

from pathlib import Path

from PIL import Image
from selenium.webdriver.common.keys import Keys

from tests.browser.desk import BOAT, Desk, as_new, console

PHONE = (390, 844)
# 1280 wide at 200 % is as wide as this.
TWICE = (640, 400)


def test_a_transfer_in_german_from_the_checkout_to_marked_as_paid_by_keyboard(desk: Desk) -> None:
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo?language=de&market=es-eur")
    desk.see("Wie möchten Sie zahlen?")
    assert desk.one("html").get_attribute("lang") == "de"
    assert desk.violations() == []
    desk.tab_to("Karte")
    while desk.one("main input[type=radio]:checked").accessible_name != "Überweisung":
        desk.keys(Keys.ARROW_DOWN)
    desk.see("Nach der Bestellung sehen Sie unser Konto")
    desk.tab_to("Zahlungspflichtig bestellen: 85,00").send_keys(Keys.ENTER)
    desk.see("Danke. Wir warten auf Ihre Zahlung")
    for told in ("PT50 0099 0031 0001 2345 6783 3", "RF40 1001", "85,00\u00a0€", "Eine Überweisung dauert"):
        assert told in desk.text("main")
    code = desk.one("img[alt='QR-Code der Überweisung für eine Bank-App']")
    desk.until(lambda: code.get_property("naturalWidth"))
    assert desk.violations() == []
    wide: int = desk.browser.execute_script("return document.documentElement.scrollWidth")
    assert wide <= PHONE[0]
    link = desk.browser.current_url
    # The same link in another browser shows the same; a guest reads it in another language.
    as_new(desk.browser, *TWICE)
    desk.browser.get(link)
    desk.see("RF40 1001")
    desk.tab_to("Sprache").send_keys("Eng", Keys.TAB)
    desk.see("Thank you. We are waiting for your payment")
    assert desk.one("html").get_attribute("lang") == "en"
    assert desk.violations() == []
    # The owner sees the money; the page says so, in the language of the order.
    as_new(desk.browser, 1280, 800)
    desk.open(f"/rehearse{BOAT}&order={link.rpartition('/')[2]}")
    desk.see("Bestellung 1001: Danke. Wir warten auf Ihre Zahlung")
    desk.tab_to("The money is here: mark as paid").send_keys(Keys.ENTER)
    desk.see("was paid by Bank transfer.")
    desk.browser.get(link)
    desk.see("Danke. Ihre Bestellung ist bezahlt")
    assert "RF40 1001" not in desk.text()


def test_words_are_written_in_two_languages_fall_back_and_are_taken_back(desk: Desk) -> None:
    desk.open(f"/checkout{BOAT}")
    desk.click("Card", "button")
    desk.click("Write what buyers read of it, in 3 languages", "a")
    desk.see("4 texts are missing")
    desk.see("Your card is charged by Orlenta. Its number goes there and never reaches this shop.", "main")
    assert desk.violations() == []
    desk.click("Write it: Before the order, in English")
    field = desk.named("Before the order, in English", "textarea")
    field.send_keys("Order {number} by **{way}**", Keys.TAB)
    desk.see(
        "{number} is no placeholder that is known here. Those that are known: {line}, {shop}, {amount}, {way}."
    )
    assert field.get_attribute("value") == "Order {number} by **{way}**"
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Pay {amount} by **{way}**", Keys.TAB)
    desk.see("Pay €85.00 by Card", "main")
    desk.see("Pay €85.00 by Card", "aside")
    # In the other language the first is read, and that is said.
    desk.see("missing, read in English", "main")
    desk.see("6 texts are missing")
    desk.click("Write it: Before the order, in Portuguese")
    desk.named("Before the order, in Portuguese", "textarea").send_keys("Pague {amount} com **{way}**", Keys.TAB)
    desk.see("5 texts are missing")
    desk.until(lambda: "Pague 85,00" in desk.text("main"))
    desk.named("The buyer reads", "select").send_keys("Port")
    desk.see("com Cartão", "aside")
    assert desk.violations() == []
    desk.click("Take the ready-made text: Before the order, in English")
    desk.until(lambda: "Pay €85.00 by Card" not in desk.text("main"))
    desk.open(f"/publish{BOAT}")
    desk.see("What buyers read of Card changes.")


def test_a_name_in_another_language_is_unique_there(desk: Desk) -> None:
    desk.open(f"/checkout/words{BOAT}&tender=card")
    desk.type_into("Name in Portuguese", "transferencia BANCÁRIA")
    desk.see("is already used in this checkout. Choose another one.")
    desk.type_into("Name in Portuguese", "Cartão de débito")
    desk.until(lambda: "already used" not in desk.text())
    desk.type_into("Name in Portuguese", "")
    desk.see("Missing: buyers read “Card”.")


def test_a_picture_with_script_is_refused_and_a_true_one_is_shown(desk: Desk, tmp_path: Path) -> None:
    wrong, right = tmp_path / "logo.png", tmp_path / "boat.png"
    wrong.write_text("<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>")
    Image.new("RGB", (90, 60), (30, 107, 92)).save(right)
    desk.open(f"/checkout/words{BOAT}&tender=card")
    desk.one("main input[type=file]").send_keys(str(wrong))
    desk.see("“logo.png” is not a picture that can be shown. Choose a PNG, JPEG or WebP file.")
    desk.one("main input[type=file]").send_keys(str(right))
    desk.until(lambda: desk.all("aside img[src^='/api/pictures/']"))
    desk.type_into("Address of a film that explains it", "films.example")
    desk.see("“films.example” is not the address of a film. Write it with https")
    desk.type_into("Address of a film that explains it", "https://films.example/boat")
    desk.see("Watch a film about it", "aside")
    assert desk.violations() == []


def test_a_buyer_fills_in_what_is_asked_and_what_is_missing_stands_at_its_field(desk: Desk) -> None:
    desk.open(f"/checkout/words{BOAT}&tender=cash-on-the-day")
    desk.click("Ask for something")
    desk.type_into("Label in English", "Shoe size")
    desk.click("“Shoe size” is needed", "[role=switch]")
    desk.click("Cash at the pier", "aside input[type=radio]")
    desk.see("Shoe size", "aside")
    # One of some choices has its choices in every language.
    desk.pick("What “Shoe size” takes", "one of some choices")
    desk.type_into("“First” in German", "Klein")
    desk.until(lambda: desk.named("“First” in German", "input").get_property("value") == "Klein")
    assert desk.violations() == []
    desk.pick("What “Shoe size” takes", "a text")
    desk.click("Order and pay €85.00", "aside button")
    desk.see("“Shoe size” is needed. Fill it in.", "aside")
    field = desk.named("Shoe size", "aside input")
    assert field.get_attribute("aria-invalid") == "true"
    assert desk.violations() == []
    field.send_keys("42")
    desk.click("Order and pay €85.00", "aside button")
    desk.see("Thank you. We are waiting for your payment")
    desk.click("Back to the desk, to its record")
    desk.see("What the buyer filled in")
    assert "42" in desk.text("[aria-labelledby=filled-in]")


def test_accounts_for_transfers_are_checked_in_place(desk: Desk) -> None:
    desk.open(f"/shop/arrangements{BOAT}")
    desk.see("Accounts for transfers")
    assert desk.violations() == []
    desk.type_into("IBAN of the EUR account", "PT50 0099 0031 0001 2345 6783 4")
    desk.see("is not an IBAN")
    desk.type_into("IBAN of the EUR account", "DE89 3704 0044 0532 0130 00")
    desk.until(lambda: "Germany" in desk.text("[role=combobox][aria-label^='Country']"))
    desk.type_into("BIC of the EUR account", "ABC")
    desk.see("“ABC” is not a BIC.")
    # A pound account is most often held in the United Kingdom, and typed as it is written there.
    desk.type_into("Sort code, GBP", "20-00", "")
    desk.type_into("Account number, GBP", "55779911")
    desk.until(lambda: desk.all("[role=alert]"))
    assert desk.named("Account number, GBP", "input").get_attribute("value") == "55779911"
    assert desk.violations() == []
    desk.type_into("Sort code, GBP", "20-00-00")
    desk.named("Holder of the GBP account", "input")
    desk.click("Remove the GBP account")
    desk.see("The GBP account is removed.")


def test_a_language_is_added_and_every_text_of_it_is_there(desk: Desk) -> None:
    desk.open(f"/shop{BOAT}")
    desk.click("Languages of buyers, the first where another lacks a text", "button", exact=False)
    desk.until(lambda: desk.all("[cmdk-input]"))
    desk.keys("spanish", Keys.ENTER, Keys.ESCAPE)
    desk.open(f"/buy/demo{BOAT}&language=es")
    desk.see("How would you like to pay?")  # the edition does not have it yet
    desk.open(f"/publish{BOAT}")
    desk.click("Publish as edition 2")
    desk.see("Nothing differs. Buyers see what you see.")
    desk.open(f"/buy/demo{BOAT}&language=es")
    desk.see("¿Cómo quiere pagar?")
    assert desk.one("html").get_attribute("lang") == "es"
    assert desk.violations() == []


def test_a_voucher_is_issued_used_in_parts_and_given_back(desk: Desk) -> None:
    desk.open(f"/shop/vouchers{BOAT}")
    desk.see("There is none yet.")
    assert desk.violations() == []
    desk.type_into("Amount, in EUR", "much", "")
    desk.click("Issue it")
    desk.see("“much”")
    desk.type_into("Amount, in EUR", "100", "")
    desk.click("Issue it")
    desk.see("Its code is")
    code = desk.text("[role=status] strong")
    desk.see("100.00 EUR left of 100.00 EUR")
    assert desk.violations() == []
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo?line=star-chart&market=es-eur&postcode=28001&delivery=pier")
    desk.click("Voucher or shop credit", "summary")
    desk.tab_to("Code").send_keys("0000", Keys.ENTER)
    desk.see("“0000” is not the code of a voucher. It has 24 letters and digits, in fours.")
    assert desk.named("Code", "input").get_attribute("aria-invalid") == "true"
    desk.type_into("Code", code.lower().replace("-", " "))
    desk.see(f"Voucher ending in {code[-4:]}. €58.00 is left on it.")
    desk.see("-€42.00")
    assert desk.violations() == []
    desk.tab_to("Order, paid by voucher").send_keys(Keys.ENTER)
    desk.see("Thank you. Your order is paid")
    desk.see("You paid €42.00 by Voucher")
    assert desk.violations() == []
    # The rest of a voucher pays a part of another order; another way pays what is left.
    desk.open("/buy/demo?line=night-boat-tour&market=es-eur")
    desk.click("Voucher or shop credit", "summary")
    desk.type_into("Code", code)
    desk.see("Pay €27.00")
    desk.open("/shop/vouchers" + BOAT)
    desk.see("58.00 EUR left of 100.00 EUR")
    # Given back at the desk, it is whole again.
    as_new(desk.browser, 1280, 800)
    desk.open("/rehearse" + BOAT)
    desk.click("1001", "a, button", exact=False)
    desk.until(lambda: desk.named("Amount to give back, EUR", "input").get_attribute("value") == "42.00")
    desk.click("Refund it")
    desk.see("42.00 EUR went back to the voucher that ends in")
    desk.open("/shop/vouchers" + BOAT)
    desk.see("100.00 EUR left of 100.00 EUR")


BROKEN = "window.fetch = async () => new Response('{}', {headers: {'Content-Type': 'application/json'}})"
# The order reaches the shop, and its answer is lost on the way.
LOST = (
    "const sent = window.fetch; window.fetch = async (asked) => { await sent(asked); throw new TypeError('lost') }"
)


def test_a_page_that_fails_does_not_lose_the_order(desk: Desk) -> None:
    as_new(desk.browser, *PHONE)
    desk.open("/buy/demo?line=star-chart&market=es-eur&postcode=28001&language=de")
    desk.see("Wie soll es zu Ihnen kommen?")
    desk.named("Adresse: Name, Straße und Hausnummer", "input").send_keys("Calle Sol 1")
    desk.browser.execute_script(BROKEN)
    desk.tab_to("Sprache", back=True).send_keys("Port")
    desk.see("Auf dieser Seite ist etwas schiefgegangen")
    desk.see("Ihre Bestellung ist erhalten")
    assert desk.violations() == []
    # The page's own report of its failure is part of it.
    assert any("TypeError" in line for line in console(desk.browser))
    desk.tab_to("Die Seite neu laden").send_keys(Keys.ENTER)
    desk.until(lambda: desk.one("main input[autocomplete='shipping street-address']").get_property("value"))
    assert desk.one("main input[autocomplete='shipping street-address']").get_attribute("value") == "Calle Sol 1"


def test_an_order_whose_answer_was_lost_is_placed_once(desk: Desk) -> None:
    desk.open("/buy/demo?line=night-boat-tour&market=es-eur")
    desk.click("Bank transfer", "input[type=radio]")
    desk.see("Order and pay €85.00")
    desk.browser.execute_script(LOST)
    desk.click("Order and pay €85.00", "button")
    desk.see("does not answer")
    desk.browser.refresh()
    desk.click("Bank transfer", "input[type=radio]")
    desk.click("Order and pay €85.00", "button")
    desk.see("Thank you. We are waiting for your payment")
    desk.see("order 1001")
    desk.open("/rehearse" + BOAT)
    desk.see("1001")
    assert "1002" not in desk.text()
