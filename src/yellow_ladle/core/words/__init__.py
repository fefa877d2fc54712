"""Words of five languages: letters, endings, likeness, label words and the names of goods."""
