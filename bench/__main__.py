"""Run every benchmark and print a line each."""

from bench import (
    best_set,
    checkout_month,
    checkout_orders,
    columns,
    coverage,
    coverage_stage,
    curves,
    decision,
    edited,
    full_shop,
    load,
    month,
    offer,
    price,
    price_text,
    rehearsal,
    rows,
    screen,
)

ALL = (
    *(
        price,
        columns,
        month,
        curves,
        decision,
        edited,
        offer,
        checkout_orders,
        coverage,
        coverage_stage,
        load,
        rows,
    ),
    *(price_text, screen, best_set, checkout_month, rehearsal, full_shop),
)

for benchmark in ALL:
    print(benchmark.run(), flush=True)
