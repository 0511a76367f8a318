"""Speed, feed and depth of cut, and what the cut asks of the machine."""
