"""What the practice teaches, as data: the schools, their set-up, checks and usual mistakes."""
