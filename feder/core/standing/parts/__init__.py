"""The parts at a corner as numbers that know their path."""
