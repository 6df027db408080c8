"""Facts of a provider besides its prices are picked and typed beside its card."""

from selenium.webdriver.common.keys import Keys

from tests.browser.desk import Desk


def test_what_a_method_needs_and_where_credentials_are_found(desk: Desk) -> None:
    desk.open("/compare/cards/orlenta/2026-01-01")
    desk.see("About Orlenta")
    desk.click("Gives only with something else", exact=False)
    desk.keys("online", Keys.ENTER, Keys.ESCAPE)
    desk.click("Online banking: with an account at", exact=False)
    desk.keys("brixavo", Keys.ENTER, Keys.ESCAPE)
    desk.until(lambda: desk.named("Online banking: with an account at: Brixavo brixavo"))
    desk.pick("Connects", "by credentials that it gives you")
    desk.type_into("Parts of its credentials, between commas", "Shop number, Signing key")
    desk.type_into("Signing key: where it is found", "Under Settings, Keys.")
    desk.click("Shop number is a secret")
    assert desk.violations() == []
    desk.browser.refresh()
    desk.until(lambda: desk.named("Signing key: where it is found", "textarea").text == "Under Settings, Keys.")
    assert desk.named("Shop number is a secret", "[role=switch]").get_attribute("aria-checked") == "false"
