"""The client's built files: named by their content, so that a browser may keep them for good."""

from mimetypes import guess_type

from fastapi.staticfiles import StaticFiles
from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.responses import FileResponse, Response
from starlette.types import Scope

FOR_GOOD = "public, max-age=31536000, immutable"
"""A file of another content has another name."""


class BuiltAssets(StaticFiles):
    """The folder of the built files, by Brotli where the browser takes it and the build made it."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """A file, or its compressed twin."""
        response = await self._compressed(path, scope) or await super().get_response(path, scope)
        if response.status_code in (200, 304):
            response.headers["Cache-Control"] = FOR_GOOD
        return response

    async def _compressed(self, path: str, scope: Scope) -> Response | None:
        if "br" not in Headers(scope=scope).get("accept-encoding", ""):
            return None
        file, found = await run_in_threadpool(self.lookup_path, f"{path}.br")
        if found is None:
            return None
        kind = guess_type(path)[0] or "application/octet-stream"
        headers = {"Content-Encoding": "br", "Vary": "Accept-Encoding"}
        return FileResponse(file, stat_result=found, media_type=kind, headers=headers)
