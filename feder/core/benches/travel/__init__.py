"""The bump stop to scale: what it does at any length, and what packers would allow."""
