"""Corner weights: what the scales say, and the ways to the cross weight wanted."""
