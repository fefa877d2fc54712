"""Routes, one module a thing."""
