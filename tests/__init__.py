"""Every check and test of the project; `./ladle test` runs them."""
