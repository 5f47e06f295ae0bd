"""What general practice says: targets, thresholds, usual values and uncertainties, as data with their source."""
