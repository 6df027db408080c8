"""Tells what an owner and a buyer do in the browser, by mouse and by keyboard."""

from pathlib import Path
from typing import Any
from urllib.parse import urljoin

from selenium import webdriver
from selenium.common.exceptions import TimeoutException
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webdriver import WebDriver
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

ROOT = Path(__file__).parent.parent.parent
CHROMIUM = Path(__file__).parent / "chromium.sh"
AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"
FLAGS = (
    "--headless",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--hide-scrollbars",
    "--force-prefers-reduced-motion",
)
# The likely tags of an element, for finding it among many; of a long text its beginning is enough.
CALLED = """
const called = (element) => (element.getAttribute('aria-label') || element.labels?.[0]?.textContent
  || element.textContent || '').slice(0, 500).replace(/\\s+/g, ' ');
"""
# Each with whether its label alone is its name, which needs no asking.
LIKELY = (
    CALLED
    + """
return [...document.querySelectorAll(arguments[0])].filter((one) => called(one).includes(arguments[1]))
  .map((one) => [one, one.getAttribute('aria-label') === arguments[1] && !one.hasAttribute('aria-labelledby')]);
"""
)
# Past the last element the page has no focus any more, and the next Tab leads to the first one, wherever it was before.
LIKELY_HERE = (
    CALLED
    + """
if (!document.hasFocus()) document.activeElement.blur();
return called(document.activeElement).includes(arguments[0]);
"""
)
PASTE = """
const area = arguments[0];
const transfer = new DataTransfer();
transfer.setData('text/plain', arguments[1]);
area.focus();
if (area.dispatchEvent(new ClipboardEvent('paste', {clipboardData: transfer, bubbles: true, cancelable: true})))
  document.execCommand('insertText', false, arguments[1]);
"""
BOAT = "?market=es-eur&line=night-boat-tour&amount=85.00&currency=EUR"


def open_browser(profile: Path) -> WebDriver:
    """Debian's Chromium, headless, with a fresh profile."""
    options = webdriver.ChromeOptions()
    options.binary_location = str(CHROMIUM)
    for flag in (*FLAGS, f"--user-data-dir={profile}"):
        options.add_argument(flag)
    return webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))


def console(browser: WebDriver) -> list[str]:
    """Tells what the pages wrote to the console as warnings and errors."""
    entries = browser.execute("getLog", {"type": "browser"})["value"]
    return [entry["message"] for entry in entries]


def leave(browser: WebDriver) -> None:
    """Leave what is open, for an answer that runs no script.

    It is one of the same server: elsewhere the browser would begin a process anew, which takes longer than many pages.
    """
    here = browser.current_url
    browser.get(urljoin(here, "/api/clock") if here.startswith("http") else "about:blank")


def as_new(browser: WebDriver, width: int, height: int) -> None:
    """Forget everything, and look through a view of exactly this size."""
    here, *others = browser.window_handles
    for window in others:
        browser.switch_to.window(window)
        browser.close()
    browser.switch_to.window(here)
    leave(browser)
    if browser.current_url != "about:blank":
        browser.execute_script("localStorage.clear(); sessionStorage.clear();")
    browser.execute_cdp_cmd("Network.clearBrowserCookies", {})
    size = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False}
    browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
    console(browser)


class Desk:
    """A browser on a server."""

    def __init__(self, browser: WebDriver, address: str) -> None:
        self.browser = browser
        self.address = address

    def open(self, path: str) -> None:
        self.browser.get(self.address + path)

    def until(self, true: Any, seconds: float = 25) -> Any:
        """Wait until something holds, and give it back."""

        def now(_: WebDriver) -> Any:
            return true()

        waiting = WebDriverWait(self.browser, seconds, poll_frequency=0.05, ignored_exceptions=[Exception])
        try:
            return waiting.until(now)
        except TimeoutException as waited:
            # The text that stood there instead tells the cause.
            waited.msg = f"{self.browser.current_url}\n{self.browser.find_element(By.TAG_NAME, 'body').text}"
            raise

    def all(self, css: str) -> list[WebElement]:
        return self.browser.find_elements(By.CSS_SELECTOR, css)

    def texts(self, css: str) -> list[str]:
        """The texts of elements, read at one moment: a page that is drawn again meanwhile takes none away."""
        read = "return [...document.querySelectorAll(arguments[0])].map((one) => one.innerText)"
        found: list[str] = self.browser.execute_script(read, css)
        return found

    def one(self, css: str) -> WebElement:
        found: WebElement = self.until(lambda: self.browser.find_element(By.CSS_SELECTOR, css))
        return found

    def named(self, name: str, css: str = "button, a, input, [role]", exact: bool = True) -> WebElement:
        """The element whose accessible name is, or holds, `name`.

        Which could be it is asked in one go; where a label does not say so, the browser's own accessible name decides:
        it takes as long as many other questions.
        """

        def fits(element: WebElement) -> bool:
            own = element.accessible_name
            return own == name if exact else name in own

        def found() -> WebElement:
            likely: list[tuple[WebElement, bool]] = self.browser.execute_script(LIKELY, css, name)
            return next(element for element, sure in likely if sure or fits(element))

        return self.until(found)  # type: ignore[no-any-return]

    def click(
        self, name: str, css: str = "button, a, [role=switch], [role=radio], summary", exact: bool = True
    ) -> None:
        def clicked() -> bool:
            self.named(name, css, exact).click()
            return True

        self.until(clicked)

    def pick(self, label: str, option: str) -> None:
        """Choose from a picker by mouse."""

        def picked() -> bool:
            next(entry for entry in self.all("[role=option]") if entry.text == option).click()
            return True

        self.click(label, "[role=combobox]")
        self.until(picked)
        self.until(lambda: not self.all("[role=option]"))

    def type_into(self, label: str, text: str, end: str = Keys.ENTER) -> None:
        field = self.named(label, "input, textarea")
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(text + end if text else Keys.DELETE + end)

    def text(self, css: str = "body") -> str:
        """Tells what can be read in an element; the browser tells it many times faster than the driver gathers it."""
        read: str = self.browser.execute_script("return arguments[0].innerText", self.one(css))
        return read.replace("\t", " ")

    def see(self, text: str, css: str = "body") -> None:
        """Wait until a text stands on the page."""
        self.until(lambda: text in self.text(css))

    def ways(self) -> list[str]:
        """The ways to pay that the buyer is shown."""
        return [
            label.text
            for label in self.all("aside form label.cursor-pointer, main form fieldset label.cursor-pointer")
            if label.text
        ]

    def stands_still(self, selector: str) -> None:
        """Wait until an element has stopped moving: what is let go before that is where it was on its way."""
        places: list[dict[str, int]] = []

        def still() -> bool:
            places.append(self.one(selector).rect)
            return len(places) > 2 and places[-1] == places[-2] == places[-3]

        self.until(still)

    def tenders(self) -> list[str]:
        return [row.get_attribute("data-tender") or "" for row in self.all("[data-tender]")]

    def tab_to(self, name: str, *, back: bool = False, exact: bool = False) -> WebElement:
        """Go by Tab to the element with this accessible name; its first characters are enough, unless exact."""
        for _ in range(260):
            if self.browser.execute_script(LIKELY_HERE, name):
                here = self.browser.switch_to.active_element
                own = here.accessible_name
                if here.tag_name != "body" and (own == name if exact else own.startswith(name)):
                    return here
            keys = ActionChains(self.browser)
            if back:
                keys.key_down(Keys.SHIFT).send_keys(Keys.TAB).key_up(Keys.SHIFT).perform()
            else:
                keys.send_keys(Keys.TAB).perform()
        raise AssertionError(f"nothing called {name!r} is reached by Tab")

    def keys(self, *keys: str) -> None:
        """Press keys, one after the other, wherever the focus is."""
        for key in keys:
            ActionChains(self.browser).send_keys(key).perform()

    def chord(self, modifier: str, key: str) -> None:
        ActionChains(self.browser).key_down(modifier).send_keys(key).key_up(modifier).perform()

    def violations(self) -> list[str]:
        """Tells what axe-core finds against WCAG 2.2 AA and its best practices."""
        if not self.browser.execute_script("return 'axe' in window"):
            self.browser.execute_script(AXE.read_text("utf-8"))
        found = self.browser.execute_async_script(
            "const done = arguments[arguments.length - 1];"
            "axe.run(document, {runOnly: ['wcag2a','wcag2aa','wcag21a','wcag21aa','wcag22aa','best-practice'],"
            "resultTypes: ['violations'], preload: false})"
            ".then((result) => done(result.violations.map((one) => one.id + ': ' + one.nodes[0].html)))"
            ".catch((failed) => done([String(failed)]));"
        )
        return list(found)


def paste(desk: Desk, text: str) -> None:
    """Paste a text into the text area of the page, as from another page."""
    desk.browser.execute_script(PASTE, desk.one("textarea"), text)
