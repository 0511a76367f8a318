"""Setting out: where things lie on a face, round a circle, along an edge."""
