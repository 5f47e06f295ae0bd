"""The calc contract: names, keys, units, errors and answers of every public formula, for CLI and API alike."""
