"""Sentences of a part in anybody's words: a line cut up, its clauses, its kind, its place."""
