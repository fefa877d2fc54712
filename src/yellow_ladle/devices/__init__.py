"""Simulated stand-ins for what lies outside: a supplier's feed."""
