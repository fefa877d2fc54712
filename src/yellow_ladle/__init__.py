"""Yellow Ladle: a kitchen's ledger of what is in every pot."""

__version__ = "0.1.0"
