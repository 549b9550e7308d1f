"""Heads: a generic head in three dimensions fitted to what was sighted, and where it departs."""
