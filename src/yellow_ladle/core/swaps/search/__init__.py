"""Best-first search over the Pareto front of plans, with admissible bounds."""
