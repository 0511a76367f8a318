"""Parts everybody makes: a few sizes, and the lines of a drawing out of them."""
