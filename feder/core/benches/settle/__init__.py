"""Set down: where it was expected to stand, where it stands, and what that teaches."""
