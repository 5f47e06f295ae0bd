"""What general practice says: targets, thresholds, usual values and usual uncertainties, as data with their source."""
