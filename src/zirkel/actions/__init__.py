"""Use cases, one module each: what the web and the command line can ask for."""
