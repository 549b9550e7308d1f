"""What each stage shows: its schema and its maker together."""
