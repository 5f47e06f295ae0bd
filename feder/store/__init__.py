"""Vehicles, shelf parts and issued sheets in SQLite; documents go in and come out whole."""
