"""Flags from labels to dishes: bit masks, the dependency graph, paths, declaration, suitability."""
