"""What a bench on the screen answers beside the report; one folder a bench."""
