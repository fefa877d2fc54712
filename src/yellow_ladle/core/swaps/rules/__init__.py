"""The rules of swaps: what may stand in for what."""
