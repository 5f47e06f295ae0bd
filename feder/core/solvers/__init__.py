"""What is found by searching: the balance of the vehicle, force tables, motion ratios along the travel."""
