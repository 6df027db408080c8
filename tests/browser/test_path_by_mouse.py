"""The whole path by mouse: shop, order in hand, compare, checkout, buyer, payment, edition."""

from selenium.webdriver.common.action_chains import ActionChains

from tests.browser.desk import BOAT, Desk


def test_from_a_priced_route_to_a_buyer_who_pays(desk: Desk) -> None:
    # Shop: an edit is kept.
    desk.open("/shop" + BOAT)
    desk.type_into("Usual amount of Night boat tour", "90.00 EUR")
    desk.until(
        lambda: desk.named("Usual amount of Night boat tour", "input").get_attribute("value") == "90.00 EUR"
    )
    assert desk.violations() == []
    desk.browser.refresh()
    desk.until(
        lambda: desk.named("Usual amount of Night boat tour", "input").get_attribute("value") == "90.00 EUR"
    )

    # The order in hand lives in the address, and every view follows it.
    desk.open("/compare")
    desk.pick("Market of the buyer", "Spain")
    desk.pick("Line that is ordered", "Night boat tour")
    desk.until(lambda: "amount=90.00" in desk.browser.current_url)
    desk.type_into("Amount of the order", "85.00")
    desk.until(lambda: "market=es-eur" in desk.browser.current_url and "amount=85.00" in desk.browser.current_url)

    # Compare: from the cheapest, each fee down to its rate; the rest with reasons.
    desk.see("SEPA direct debit Brixavo")
    desk.click("How the cost of SEPA direct debit, Brixavo came about", exact=False)
    desk.see("Rate debit on Brixavo's card, holds from 1 Mar 2026.")
    desk.see("0.5 % of 85.00 EUR")
    desk.see("only for shops in Spain, Germany, United Kingdom, France; yours is in Portugal")
    assert desk.violations() == []

    # A route becomes a tender.
    desk.click("How the cost of Card, Tessaline came about", exact=False)
    desk.click("Add to checkout: Card, Tessaline")
    desk.see("Card (Tessaline) is in your checkout, switched off.")
    desk.click("Checkout", "nav a", exact=False)
    desk.click("Card (Tessaline) switched on", "[role=switch]")
    desk.until(lambda: "Card (Tessaline)" in desk.ways())
    desk.click("Card (Tessaline)", "button")
    desk.type_into("Name that buyers see", "Card")
    desk.see("The name “Card” is already used in this checkout. Choose another one.")
    desk.type_into("Name that buyers see", "Debit card")
    desk.until(lambda: desk.ways()[-1] == "Debit card")
    desk.type_into("End, in EUR", "5")
    desk.see("held back: up to 5.00 EUR; this order is 85.00 EUR")
    desk.until(lambda: "Debit card" not in desk.ways())
    desk.type_into("From, in EUR", "60")
    desk.see("The end, 5.00 EUR, lies under the start, 60.00 EUR. Write an end that is higher.")
    desk.type_into("From, in EUR", "")
    desk.type_into("End, in EUR", "")
    desk.until(lambda: "Debit card" in desk.ways())
    desk.pick("How the window ends, in EUR", "below")
    desk.type_into("End, in EUR", "85")
    desk.see("held back: below 85.00 EUR; this order is 85.00 EUR")
    desk.type_into("End, in EUR", "")
    desk.until(lambda: "Debit card" in desk.ways())
    assert desk.violations() == []
    desk.click("Debit card", "button")

    # Dragged to the top; the buyer meets it first.
    handle = desk.named("Move Debit card", "button")
    first = desk.one("[data-tender]")
    ActionChains(desk.browser).click_and_hold(handle).move_by_offset(0, -40).pause(
        0.1
    ).move_to_element_with_offset(first, -first.size["width"] // 2 + 10, -8).pause(0.2).release().perform()
    desk.until(lambda: desk.tenders()[0] == "card-2")
    desk.until(lambda: desk.ways()[0] == "Debit card")

    # A handle of the ruler is dragged; the limit is kept.
    thumb = desk.named("Cash at the pier: offered up to", "[role=slider]")
    assert (thumb.get_attribute("aria-valuetext") or "").startswith("150 EUR")
    ActionChains(desk.browser).drag_and_drop_by_offset(thumb, -60, 0).perform()
    desk.until(lambda: "Cash at the pier" not in desk.ways())

    # The buyer pays: declined, then another way.
    desk.click("Debit card", "aside input[type=radio]")
    desk.click("Pay €85.00", "aside button")
    # This provider's form stands within the shop's own page.
    desk.see("Your payment is not finished")
    desk.browser.switch_to.frame(desk.one("iframe"))
    desk.see("Tessaline: pay 85.00 EUR")
    assert desk.violations() == []
    desk.click("Declined: not enough money")
    desk.browser.switch_to.default_content()
    desk.see("Debit card was declined for €85.00 (there is not enough money), and nothing was taken.")
    assert desk.violations() == []
    desk.click("Bank transfer", "input[type=radio]")
    desk.click("Order and pay €85.00", "button")
    desk.see("We are waiting for your payment")
    desk.see("You chose Bank transfer for €85.00.")
    desk.click("Back to the desk, to its record")
    desk.see("The buyer chose Bank transfer; the shop waits for the payment, by")
    desk.see("Cabo Noite, order 1001: Your payment was declined")
    assert desk.violations() == []

    # Published; real buyers see it from then on.
    desk.open("/buy/demo" + BOAT)
    desk.until(lambda: desk.ways() == ["Card", "Online banking", "Bank transfer", "Instalments"])
    desk.open("/publish" + BOAT)
    desk.see("Debit card is added, switched on.")
    assert desk.violations() == []
    desk.click("Publish as edition 2")
    desk.see("Nothing differs. Buyers see what you see.")
    desk.open("/buy/demo" + BOAT)
    desk.until(lambda: desk.ways()[0] == "Debit card")
    assert desk.violations() == []
    # The shop's price, and not the one that stands in the address of the page.
    desk.click("Pay €90.00", "button")
    desk.browser.switch_to.frame(desk.one("iframe"))
    desk.click("Paid")
    desk.browser.switch_to.default_content()
    desk.see("Thank you. Your order is paid")
    assert "To pay" not in desk.text()
    assert desk.violations() == []


def test_a_tender_is_removed_and_put_back(desk: Desk) -> None:
    desk.open("/checkout" + BOAT)
    before = desk.until(lambda: desk.tenders() or None)
    desk.click("Online banking", "main button")
    desk.click("Remove from the checkout")
    desk.until(lambda: "online-banking" not in desk.tenders())
    desk.click("Undo")
    desk.until(lambda: desk.tenders() == before)


def test_nothing_scrolls_sideways_and_dark_is_readable(desk: Desk) -> None:
    dark = {"features": [{"name": "prefers-color-scheme", "value": "dark"}]}
    cards = "/compare/cards/orlenta/2026-01-01"
    views = (
        "/shop",
        "/shop/orders",
        "/shop/delivery",
        "/shop/assumptions",
        "/compare",
        "/compare/plans",
        "/compare/new",
        "/compare/print",
        "/compare/catalogue",
        cards,
    )
    accounts = ("/accounts/brixavo", "/accounts/papers", "/accounts/letters", "/accounts/brixavo/notifications")
    # At 200 % zoom the window is half as wide.
    usual = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
    zoomed = {"width": 640, "height": 400, "deviceScaleFactor": 2, "mobile": False}
    width = "return document.documentElement.scrollWidth - document.documentElement.clientWidth"
    for path in (*views, *accounts, "/checkout", "/checkout#unfolded", "/rehearse", "/publish"):
        page, _, unfolded = path.partition("#")
        desk.open(f"{page}{BOAT}{'&tender=card' if unfolded else ''}")
        desk.see("What this buyer sees")
        desk.until(lambda: desk.all("main h1"))
        if path == "/compare":
            desk.until(lambda: desk.all("main svg [role=slider]"))
        assert desk.browser.execute_script(width) == 0, path
        desk.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", dark)
        assert desk.violations() == [], path
        desk.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": []})
        desk.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", zoomed)
        assert desk.browser.execute_script(width) == 0, path
        desk.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", usual)
    phone = {"width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": False}
    desk.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", phone)
    desk.open("/buy/demo" + BOAT)
    desk.see("How would you like to pay?")
    assert desk.browser.execute_script(width) == 0
    assert desk.violations() == []
