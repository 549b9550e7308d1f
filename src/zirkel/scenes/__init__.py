"""Scene files that ship with Zirkel (data only)."""
