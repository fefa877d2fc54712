"""A book read as of a day, and re-read after a change."""
