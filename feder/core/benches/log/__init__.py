"""The log: what was changed, why, what it did, and how the springs settle."""
