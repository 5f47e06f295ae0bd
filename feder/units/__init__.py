"""Quantities at the edge: one factor table, typed text in, figures with their unit out."""
