"""Run every benchmark and print a line each."""

from bench import decision, price

for benchmark in (price, decision):
    print(benchmark.run(), flush=True)
