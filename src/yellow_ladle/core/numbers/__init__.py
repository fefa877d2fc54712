"""The numbers that travel: salt, alcohol, sulphites and starch, and what they make of a pot."""
