"""The whole menu as a constraint model."""
