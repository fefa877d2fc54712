"""Recipes as schema.org describes them, in and out."""
