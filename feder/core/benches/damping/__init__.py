"""Clicks, curves and what they do to the damping of a corner."""
