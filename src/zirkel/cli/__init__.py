"""The command line: a study file in, one JSON object out."""
