"""Run every benchmark and print a line each."""

from bench import columns, curves, decision, load, month, price, screen

for benchmark in (price, columns, month, curves, decision, load, screen):
    print(benchmark.run(), flush=True)
