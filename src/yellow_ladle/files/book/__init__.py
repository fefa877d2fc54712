"""The book file: its models, and the conversion between core values and plain content."""
