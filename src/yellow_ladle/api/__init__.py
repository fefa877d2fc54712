"""The web interface: thin routes over the core and the store."""
