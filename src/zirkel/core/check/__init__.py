"""Checking a drawing: what is off, by which few causes, and which moves repair it."""
