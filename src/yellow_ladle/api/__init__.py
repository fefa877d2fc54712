"""The web interface: thin routes over the core and the store."""

# Before any model that holds one of the core's values is made.
from yellow_ladle.api import core_values as core_values
