"""A change of the order in hand, from the keystroke to the new ranking on the screen, for 60 routes.

The server is in a process of its own.
"""

import shutil
import tempfile
import time
from pathlib import Path
from signal import SIGTERM
from statistics import median

from tests.browser.desk import BOAT, Desk, as_new, open_browser
from tests.work.orders.test_killed import served

from monedero import demo
from monedero.server.shops import Shops

ROUTES, ROUNDS, MILLISECONDS = 60, 15, 50
# Types an amount, presses Enter, and tells how long it was until the ranking had changed.
MEASURE = """
const [amount, done] = arguments;
const field = document.querySelector('input[aria-label="Amount of the order"]');
const table = document.querySelector('table[aria-label="Routes"]');
const before = table.textContent;
const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
set.call(field, amount);
field.dispatchEvent(new Event('input', {bubbles: true}));
setTimeout(() => {
  const began = performance.now();
  const watch = new MutationObserver(() => {
    if (table.textContent === before) return;
    watch.disconnect();
    requestAnimationFrame(() => done(performance.now() - began));
  });
  watch.observe(table, {subtree: true, childList: true, characterData: true});
  field.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true}));
}, 300);
"""


def fill(folder: Path) -> int:
    """A demo shop with copies of its cards until there are routes enough; returns how many."""
    store = Shops(folder).demo.store
    routes, number = sum(len(card.routes) for card in store.rate_cards.all()), 0
    while routes < ROUTES:
        card = demo.rate_cards()[number % 7]
        provider = card.provider.model_copy(update={"id": f"{card.provider.id}-{number}", "countries": ["PT"]})
        store.rate_cards.put(card.model_copy(update={"provider": provider}))
        routes, number = routes + len(card.routes), number + 1
    store.close()
    return routes


def run() -> str:
    """Change the amount many times and say what a change took."""
    folder = Path(tempfile.mkdtemp())
    try:
        routes = fill(folder / "data")
        with served(folder / "data", SIGTERM) as shop:
            browser = open_browser(folder / "profile")
            as_new(browser, 1280, 800)
            desk = Desk(browser, str(shop.base_url).rstrip("/"))
            desk.open("/compare" + BOAT)
            desk.see("Card", "table[aria-label=Routes]")
            time.sleep(3)
            taken = []
            for number in range(ROUNDS):
                taken.append(float(browser.execute_async_script(MEASURE, f"{100 + 7 * number}.00")))
                time.sleep(0.3)
            browser.quit()
    finally:
        shutil.rmtree(folder, ignore_errors=True)
    return (
        f"a change of the order in hand to the new ranking, {routes} routes: median {median(taken):.0f} ms, "
        f"slowest {max(taken):.0f} ms (budget {MILLISECONDS} ms)"
    )
