"""Light and dark: tones from comparisons, what contradicts, what to compare next, flat tones."""
