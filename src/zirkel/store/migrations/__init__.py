"""Alembic migrations of the store."""
