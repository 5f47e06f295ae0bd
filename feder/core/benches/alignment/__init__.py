"""Alignment: what the read-outs say, whose fault it is, and what is turned in which order."""
