"""Mutation testing: faults put into the code one at a time, and whether a test notices each."""
