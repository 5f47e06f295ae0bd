"""Two setups over the same road: the road, the vehicle on it, its motion, and what that says of a plan."""
