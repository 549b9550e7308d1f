"""The eye's record: trials, and what they say of an eye's bias, spread and change."""
