"""A full shop to begin with: drawn from a seed, whole, and only in a folder without a shop."""

from dataclasses import replace
from itertools import islice
from pathlib import Path

import pytest
from typer.testing import CliRunner

from monedero.cli import app
from monedero.core.account import Mode, Stage
from monedero.core.errors import Conflict, FaultCode
from monedero.core.profile import Source
from monedero.demo.full_shop import FullShop, Size
from monedero.server.full_example import fill
from monedero.server.shops import Shops

SMALL = Size(markets=5, lines=9, providers=3, ways=8, orders=60)


def test_a_full_shop_is_there_whole_and_only_once(tmp_path: Path) -> None:
    shops, full = Shops(tmp_path), FullShop(SMALL)
    fill(shops.own, full)
    store = shops.own.store
    described, counts = store.description.read(), store.past_orders.counts()
    assert described is not None
    assert (len(described.value.markets), len(described.value.lines)) == (5, 9)
    assert counts.paid == 60
    profile = store.profile.read()
    assert profile is not None
    assert profile.value.source is Source.PAST_ORDERS
    assert counts.paid + counts.refunds == len(list(full.orders()))
    held = store.accounts.of(Mode.TEST).values()
    assert {account.stage for account in held} == {Stage.CONNECTED}
    assert len(held) == len(store.rate_cards.all()) == len(store.providers.all()) == 3
    [edition] = store.editions.of("web-shop")
    assert len(edition.published.checkout.tenders) == 8
    with pytest.raises(Conflict) as refused:
        fill(shops.own, full)
    assert [fault.code for fault in refused.value.faults] == [FaultCode.SHOP_DESCRIBED]
    assert store.past_orders.counts() == counts


def test_the_same_seed_draws_the_same_shop_and_another_seed_another() -> None:
    one, again, other = FullShop(SMALL), FullShop(SMALL), FullShop(replace(SMALL, seed=2))
    assert one.shop() == again.shop() != other.shop()
    assert one.checkout() == again.checkout()
    assert one.rate_cards() == again.rate_cards() != other.rate_cards()
    assert list(islice(one.orders(), 20)) == list(islice(again.orders(), 20))


@pytest.mark.parametrize("markets", [1, 2, 40])
def test_areas_and_lines_that_a_condition_names_are_there(markets: int) -> None:
    for seed in range(5):
        full = FullShop(Size(markets=markets, lines=4, ways=30, orders=0, seed=seed))
        shop = full.shop()
        known = {"area": {area.id for area in shop.areas}, "line": {line.id for line in shop.lines}}
        for tender in full.checkout().tenders:
            for condition in tender.conditions:
                assert set(condition.values) <= known.get(condition.fact, set(condition.values))
        assert sum(market.share for market in shop.markets) == 100


def test_more_markets_than_there_are_are_refused() -> None:
    with pytest.raises(ValueError, match="markets: 41 is not from 1 to 40"):
        Size(markets=41)


def test_a_folder_with_a_shop_is_told_and_left_as_it_is(tmp_path: Path) -> None:
    shops = Shops(tmp_path)
    fill(shops.own, FullShop(SMALL))
    shops.own.store.close()
    result = CliRunner().invoke(app, ["serve", "--data", str(tmp_path), "--example", "full"])
    assert result.exit_code == 2
    assert "is described already" in result.stderr
