"""What careful people do where there is a choice, and why."""
