"""What a kitchen writes down, as frozen values: products, preparations, tools, needs, sign-offs."""
