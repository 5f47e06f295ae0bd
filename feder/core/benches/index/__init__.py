"""The index bench: from a height wanted on a torsion bar to moves of its splines, and back."""
