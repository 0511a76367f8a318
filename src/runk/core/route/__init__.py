"""Parts and the order they are made in: features, ways of holding, rules, routes."""
