"""How each kind of spring stands between load, height and its adjuster."""
