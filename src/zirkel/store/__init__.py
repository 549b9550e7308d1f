"""Where studies are kept: SQLite through SQLAlchemy, schema under migrations."""
