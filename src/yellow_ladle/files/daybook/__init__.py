"""The daybook file: what was made, kept and served, in and out."""
