"""Routes about bought goods."""
