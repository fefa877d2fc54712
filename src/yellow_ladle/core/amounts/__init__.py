"""Amounts as cooks type them, what they weigh, and how they scale."""
