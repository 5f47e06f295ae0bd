"""Documents in, reports out: figures, findings, their working, how sure they are, and two beside each other."""
