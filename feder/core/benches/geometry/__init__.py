"""What a setup replaces of the vehicle as measured."""
