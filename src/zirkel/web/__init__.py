"""The web application: Flask factory, versioned JSON API, and the built front end."""
