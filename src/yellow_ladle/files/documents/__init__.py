"""What the commands print: readings, plans, numbers and labels."""
