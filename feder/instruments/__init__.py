"""Instruments: what is read off scales, gauges, benches and loggers, and stand-ins that speak like them."""
