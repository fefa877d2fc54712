"""Serving a kitchen from this machine, and the commands of `./ladle`."""
