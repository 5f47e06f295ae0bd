"""Findings by station: one small rule each, in one place, graded stop, look or note."""
