"""How well mistakes are named: a table of them, honest vehicles, and every mend that is offered."""
