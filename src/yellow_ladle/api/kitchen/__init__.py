"""Routes about the kitchen itself."""
