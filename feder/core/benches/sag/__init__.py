"""The sag bench of two-wheelers: springs of the shelf, air, what a lean or a seat height takes, and the pump."""
