"""Run every benchmark and print a line each."""

from bench import columns, curves, decision, price, screen

for benchmark in (price, columns, curves, decision, screen):
    print(benchmark.run(), flush=True)
