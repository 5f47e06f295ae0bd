"""Feder: suspension setup from survey to setup sheet. Rooms import downwards only."""
