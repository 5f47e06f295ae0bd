"""Doubts: numbers that no vehicle has, typed or following from what was typed."""
