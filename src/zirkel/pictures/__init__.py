"""Pictures: scenes drawn as SVG, photographs and prints prepared for sighting."""
