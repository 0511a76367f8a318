"""What is kept: machines, engines and parts, the slate. SQLite through SQLAlchemy."""
