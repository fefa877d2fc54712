"""Routes about swaps: plans, rules, menus."""
