"""Scripts and styles of the pages, as they were packed when they were built: their names change with what is in them, so that a
browser keeps them for good."""

from pathlib import Path

from fastapi.staticfiles import StaticFiles
from starlette.datastructures import Headers
from starlette.responses import FileResponse, Response
from starlette.types import Scope

KEPT = "public, max-age=31536000, immutable"
KINDS = {".js": "text/javascript", ".css": "text/css"}


class Assets(StaticFiles):
    """The folder of built files. One that has its packed self beside it is sent as that, to whoever can read it."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """A file by its name; a name outside of the folder is not there, as in any other."""
        accepts = Headers(scope=scope).get("accept-encoding", "")
        kind = KINDS.get(Path(path).suffix)
        if (
            kind
            and path.isprintable()
            and "br" in {one.partition(";")[0].strip() for one in accepts.split(",")}
        ):
            packed, found = self.lookup_path(f"{path}.br")
            if found is not None:
                headers = {"content-encoding": "br", "vary": "accept-encoding", "cache-control": KEPT}
                return FileResponse(packed, media_type=kind, headers=headers, stat_result=found)
        response = await super().get_response(path, scope)
        response.headers["cache-control"] = KEPT
        return response
