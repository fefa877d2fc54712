"""Every way to clear a pot, exactly: what can be changed, its price, and what is in the way."""
