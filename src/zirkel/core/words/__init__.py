"""What is said of readings, doubts and placings: sentences on top of the numbers."""
