"""Bytes that are sent as they are: a table, a sheet, a picture."""

from typing import Any

from fastapi import Request

from yellow_ladle.core.book.fault import BookRefused, Fault

BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}


async def whole_body(request: Request, most: int) -> bytes:
    """The bytes of a request. Raises BookRefused as soon as there are too many of them."""
    content = bytearray()
    async for part in request.stream():
        content += part
        if len(content) > most:
            limit = most // (1024 * 1024)
            raise BookRefused([Fault("", f"the file is over {limit} MB")])
    return bytes(content)
