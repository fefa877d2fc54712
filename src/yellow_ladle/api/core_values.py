"""How answers tell the core's own values: the core is free of Pydantic, so it is said here."""

from pydantic import GetCoreSchemaHandler
from pydantic_core import CoreSchema, core_schema

from yellow_ladle.core.vocabulary.levels import WORDS, Level


def _level_schema(
    level: type[Level], _source: object, _handler: GetCoreSchemaHandler
) -> CoreSchema:
    """A level is told by its word, wherever it stands in a core value."""
    return core_schema.json_or_python_schema(
        json_schema=core_schema.literal_schema([*WORDS]),
        python_schema=core_schema.is_instance_schema(level),
        serialization=core_schema.plain_serializer_function_ser_schema(
            lambda value: value.word, return_schema=core_schema.literal_schema([*WORDS])
        ),
    )


setattr(Level, "__get_pydantic_core_schema__", classmethod(_level_schema))  # noqa: B010
