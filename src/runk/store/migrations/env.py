"""Alembic's entry: runs on the connection the store hands it."""

from alembic import context

from runk.store.models import Base

context.configure(
    connection=context.config.attributes["connection"],
    target_metadata=Base.metadata,
    render_as_batch=True,
)
with context.begin_transaction():
    context.run_migrations()
