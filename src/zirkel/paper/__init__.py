"""What is taken along on paper: PDF pages at true size."""
