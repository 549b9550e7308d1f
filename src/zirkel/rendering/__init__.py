"""Scenes rendered as they would be seen: light, cast shadows, no outlines."""
