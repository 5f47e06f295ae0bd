"""The made-up workshop: its car and its shelf of springs, as data made by plain rules."""
