"""One setup in every load state, and the shelf ranked by the worst of them."""
