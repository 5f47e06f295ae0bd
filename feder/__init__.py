"""Feder: a vehicle's suspension from survey to setup sheet."""

VERSION = "0.2.0"
