"""Predicting and choosing the thickness of what is poured."""
