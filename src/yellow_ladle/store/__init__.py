"""A kitchen's data in SQLite."""
