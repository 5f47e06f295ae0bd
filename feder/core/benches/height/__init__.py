"""Collars, from the heights measured to those wanted."""
