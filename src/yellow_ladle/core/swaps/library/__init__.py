"""The shipped cards of bases that a kitchen may not have yet."""
