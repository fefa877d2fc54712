"""Alembic's environment: migrations run on the connection that the caller opened."""

from alembic import context

from yellow_ladle.store.tables import Base

context.configure(
    connection=context.config.attributes["connection"],
    target_metadata=Base.metadata,
    render_as_batch=True,
)
with context.begin_transaction():
    context.run_migrations()
