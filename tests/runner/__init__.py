"""The command `./ladle test`: every check and every test, in lanes side by side."""
