"""The job's rules in SI floats: no I/O, no clock, no globals, no web, no database.

Formula modules use `math` alone; solvers may use numpy. Documents in, reports out.
"""
