"""Cards on paper and as text."""
