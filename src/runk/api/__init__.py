"""HTTP: calculator routes from the registry, one router for each stored thing."""
