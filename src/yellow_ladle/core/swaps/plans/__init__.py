"""Plans: their goals, swaps, score and carried result."""
