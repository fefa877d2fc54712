"""Swap rules, goals and plans."""
