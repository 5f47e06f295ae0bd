"""Numbers that know where they came from: their working, its text, units and ranges, names, notes and errors."""
