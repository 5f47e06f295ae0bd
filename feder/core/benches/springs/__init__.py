"""Springs from the shelf, tried at one end of a setup."""
