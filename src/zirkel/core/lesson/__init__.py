"""What a lesson allows, and what a class made of it."""
