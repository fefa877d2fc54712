"""Rules about recipe cards: versions, comparison, merging, scaling, words in their texts."""
