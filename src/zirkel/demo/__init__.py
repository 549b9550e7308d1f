"""Demonstration studies: made-up arrangements, sighted by the honest observer."""
