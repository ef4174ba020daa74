"""create_app(settings) builds everything the server is; there is no global application."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse, Response
from sqlalchemy import create_engine
from sqlalchemy.orm import sessionmaker
from starlette.exceptions import HTTPException
from starlette.staticfiles import StaticFiles

from gantline import __version__
from gantline.api import problems
from gantline.api.limits import BodyLimit
from gantline.api.routes import compare, jobs, readings, sheets, stores
from gantline.api.routes import settings as settings_routes
from gantline.api.services.memo import Memo
from gantline.settings import Settings, psycopg_url


def create_app(settings: Settings) -> FastAPI:
    """The application on a migrated database. Workers share nothing but that database."""
    app = FastAPI(title="Gantline", version=__version__, generate_unique_id_function=lambda route: route.name)
    engine = create_engine(
        psycopg_url(settings.database_url),
        pool_size=8,
        pool_pre_ping=True,
        connect_args={"connect_timeout": 5},
    )
    app.state.engine, app.state.sessions, app.state.memo = engine, sessionmaker(engine), Memo()
    problems.install(app)
    app.add_middleware(BodyLimit, largest=settings.largest_body_bytes)
    for module in (jobs, compare, readings, sheets, stores, settings_routes):
        app.include_router(module.router)
    plain_openapi = app.openapi
    app.openapi = lambda: problems.described(plain_openapi())  # type: ignore[method-assign]
    _serve_pages(app, settings.web_folder)
    return app


def _serve_pages(app: FastAPI, folder: Path) -> None:
    """The built pages; every path that is no file and no API is the one page, which routes itself."""
    index = folder / "index.html"
    if (folder / "assets").is_dir():
        app.mount("/assets", StaticFiles(directory=folder / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        if path.startswith(("api/", "assets/")) or not index.exists():
            raise HTTPException(404, "There is nothing at this address")
        file = folder / path
        if path and "/" not in path and file.is_file():
            return FileResponse(file)
        return FileResponse(index, headers={"cache-control": "no-cache"})
