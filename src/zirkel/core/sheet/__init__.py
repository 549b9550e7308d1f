"""From what is seen to where the pencil goes: fit and marks on the sheet."""
