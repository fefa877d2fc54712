"""Words and tables that every kitchen shares: levels, flags, regimes, diets, units, classes."""
