"""The kitchen's file: what is written, by whom, and what happens when something is in the way."""
