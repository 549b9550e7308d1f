"""The study file: one schema for the file on disk, the web, the store's bodies and the commands."""
