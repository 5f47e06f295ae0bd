"""CSV in and out: shelf, survey, leverage curves, charts."""
