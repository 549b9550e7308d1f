"""Measurements, outside the test run: `make bench`, or `python -m bench [core|browser|quality]`."""
