"""Run every benchmark and print a line each."""

from bench import columns, curves, decision, edited, load, month, offer, price, price_text, rows, screen

for benchmark in (price, columns, month, curves, decision, edited, offer, load, rows, price_text, screen):
    print(benchmark.run(), flush=True)
