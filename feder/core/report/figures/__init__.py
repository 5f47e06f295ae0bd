"""The figures of a report, by what they belong to."""
