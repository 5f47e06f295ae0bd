"""From one setup to another by hand: the job card's steps, in an order in which nothing is torn, dropped or forgotten."""
