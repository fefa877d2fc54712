"""Benchmarks: each prints ratios measured in one run. `./ladle bench` runs them all."""
