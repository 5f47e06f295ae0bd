"""One phenomenon a file, pure functions of floats with `math` alone; each states its formula once."""
