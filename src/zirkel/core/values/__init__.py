"""Values as artists enter and say them: fractions, clock hours, lengths in mm, cm and inches."""
