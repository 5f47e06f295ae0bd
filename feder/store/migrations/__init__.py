"""Steps from one version of the database to the next, run at start-up."""
