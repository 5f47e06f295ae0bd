"""Causes: which one mistake would explain what looks wrong, tried by mending it and looking again."""
