"""What was really made: lots, batches, the shelf, the reading of a day, trace and recall."""
