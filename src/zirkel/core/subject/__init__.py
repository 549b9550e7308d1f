"""Made-up subjects and an honest observer of them, for demonstrations and tests."""
