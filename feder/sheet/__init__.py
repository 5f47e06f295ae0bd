"""The setup sheet as HTML: screen, print and PDF share it."""
