"""What is wrong with a book, a card or a rule."""
