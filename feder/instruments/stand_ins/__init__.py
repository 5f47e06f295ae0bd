"""Stand-ins: instruments that are not there, which settle, scatter and speak as real ones do."""
