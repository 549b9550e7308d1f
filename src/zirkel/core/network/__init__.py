"""The readings of one drawing as a measurement network: adjustment, doubts, next, relations."""
