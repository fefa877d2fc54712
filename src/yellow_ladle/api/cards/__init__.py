"""Routes about pots, cards and the board."""
