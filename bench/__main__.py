"""Run every benchmark and print a line each."""

from bench import columns, curves, decision, month, price, screen

for benchmark in (price, columns, month, curves, decision, screen):
    print(benchmark.run(), flush=True)
