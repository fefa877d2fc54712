"""What a plan makes of the cards, where, and in which words."""
