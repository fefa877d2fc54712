"""The kitchen's file on the disk: opened, locked, checked, backed up, and what lies beside it."""
