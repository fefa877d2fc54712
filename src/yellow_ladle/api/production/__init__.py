"""What is made today, batches, and where everything went."""
