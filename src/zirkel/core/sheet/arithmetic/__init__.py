"""The schools' own arithmetic, one module each."""
