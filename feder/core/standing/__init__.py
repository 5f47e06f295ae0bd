"""How the vehicle stands in a setup: what the document says, balanced on its springs."""
