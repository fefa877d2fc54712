"""What a label's words say of each flag."""
