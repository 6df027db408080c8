"""Run every benchmark and print a line each."""

from bench import columns, curves, decision, edited, load, month, offer, price, rows, screen

for benchmark in (price, columns, month, curves, decision, edited, offer, load, rows, screen):
    print(benchmark.run(), flush=True)
