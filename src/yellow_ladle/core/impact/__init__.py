"""What a change would do, and how it is told."""
