"""Forms of requests and answers that differ from the values of the core."""
