"""create_app(settings) builds everything the server is; there is no global application."""

import asyncio
import hashlib
from collections import Counter
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

import orjson
from anyio.to_thread import current_default_thread_limiter
from fastapi import FastAPI
from fastapi.responses import HTMLResponse, Response
from sqlalchemy import create_engine
from sqlalchemy.orm import sessionmaker
from starlette.exceptions import HTTPException
from starlette.types import Lifespan
from starlette_compress import CompressMiddleware

from gantline import __version__
from gantline.api import problems
from gantline.api.allowance import Allowance, room_of
from gantline.api.assets import Assets
from gantline.api.doors import HSTS, Doors
from gantline.api.first_look import FirstLook
from gantline.api.limits import BodyLimit, Busy, Tries
from gantline.api.news import News
from gantline.api.paired import Paired
from gantline.api.routes import (
    binned,
    casts,
    compare,
    day,
    devices,
    find,
    health,
    jobs,
    photos,
    projectors,
    readings,
    sheets,
    stores,
    tension,
    trainer,
)
from gantline.api.routes import settings as settings_routes
from gantline.api.services.memo import Memo
from gantline.api.watch import Numbers, Watch, write_log
from gantline.settings import Settings, places, psycopg_url
from gantline.sweeping import seldom_swept
from gantline.vision.reading import MOST_BYTES
from gantline.work.queue import Queue

PAIRING_TRIES, CAST_TRIES = 10, 20  # wrong codes of one address in a minute
PHOTOS_AT_ONCE = 3  # taken in at the same time, at most 25 MB each
PAGES_OF_A_JOB = {"day": "day.html", "jobs": "job.html"}  # their second part names it
OWN_PAGES = {"docs": "docs.html", "pair": "pair.html"}
LONGEST_PATH = 300
LEAST_COMPRESSED = 12_000  # bytes; the answer of a drag is quicker as it is


def create_app(settings: Settings) -> FastAPI:
    """The application on a migrated database. Workers share nothing but that database."""
    app = FastAPI(
        title="Gantline", version=__version__, generate_unique_id_function=lambda route: route.name,
        docs_url=None, redoc_url=None, lifespan=_life(settings.threads),
    )  # fmt: skip
    engine = create_engine(
        psycopg_url(settings.database_url),
        pool_size=settings.threads,  # a thread holds one: nobody waits for a connection with a thread in hand
        max_overflow=4,  # readiness, the feeds' own questions, tokens that are looked up
        pool_timeout=5,
        pool_pre_ping=True,
        connect_args={"connect_timeout": 5},
        json_serializer=lambda value: orjson.dumps(value).decode(),
        json_deserializer=orjson.loads,
    )
    app.state.engine, app.state.sessions, app.state.memo = engine, sessionmaker(engine), Memo()
    app.state.readers = sessionmaker(engine.execution_options(isolation_level="AUTOCOMMIT"))
    app.state.numbers, app.state.queue = Numbers(), Queue(settings.database_url)
    app.state.news = News(settings.database_url)
    app.state.photos_at_once = asyncio.Semaphore(PHOTOS_AT_ONCE)
    app.state.nightly = settings.nightly
    app.state.pairing_at = settings.address(settings.port) if settings.beyond else None
    app.state.wrong_codes, app.state.wrong_casts = Tries(PAIRING_TRIES), Tries(CAST_TRIES)
    app.state.asked_projectors = Counter[str]()
    app.state.projectors = projectors.of_settings(places(settings.projectors))
    problems.install(app)
    app.add_middleware(
        CompressMiddleware, minimum_size=LEAST_COMPRESSED, zstd_level=3, brotli_quality=2, gzip_level=2
    )
    beyond = settings.beyond
    folder = None if settings.outside else settings.data_folder
    app.add_middleware(Allowance, room=room_of(engine, folder, settings.most_gigabytes))
    app.add_middleware(BodyLimit, largest=settings.largest_body_bytes, photos=MOST_BYTES, outside=beyond)
    app.add_middleware(Busy, most=settings.waiting, outside=beyond)
    if beyond:  # before places are counted: a stranger takes none of theirs
        app.add_middleware(Paired, sessions=lambda: app.state.sessions)
    app.add_middleware(
        Doors,
        https=beyond,
        build=_build(settings.web_folder),
        hosts=[f"[{name}]" if ":" in name else name for name in settings.names],
    )
    app.add_middleware(Watch, numbers=app.state.numbers)
    app.add_middleware(Assets, folder=settings.web_folder, more=(HSTS,) if beyond else ())
    for module in (
        jobs,
        binned,
        compare,
        find,
        readings,
        casts,
        day,
        sheets,
        stores,
        settings_routes,
        devices,
        tension,
        trainer,
        photos,
        projectors,
        health,
    ):
        app.include_router(module.router)
    plain_openapi = app.openapi
    app.openapi = lambda: problems.described(plain_openapi())  # type: ignore[method-assign]
    _serve_pages(app, settings.web_folder)
    return app


def from_environment() -> FastAPI:
    """The application for one of several processes: what it is told stands in GANTLINE_* variables."""
    settings = Settings()
    write_log(as_json=settings.log == "json", requests=settings.log != "off")
    application = create_app(settings)
    seldom_swept()
    return application


def _build(folder: Path) -> str:
    """Which pages these are: the program's version, and a digest of the pages, which name all their files."""
    pages = b"".join(file.read_bytes() for file in sorted(folder.glob("*.html")))
    return f"{__version__}-{hashlib.sha256(pages).hexdigest()[:12] if pages else 'none'}"


def _life(threads: int) -> Lifespan[FastAPI]:
    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        current_default_thread_limiter().total_tokens = threads
        yield
        await app.state.news.close()
        app.state.queue.close()

    return lifespan


def _serve_pages(app: FastAPI, folder: Path) -> None:
    """The built pages, held in memory: every path that is no file and no API is one of them, which routes itself."""
    pages = {file.name: file.read_bytes() for file in folder.glob("*.html")}
    first_look = FirstLook(app.state)

    @app.get("/{path:path}", include_in_schema=False)
    async def page(path: str) -> Response:
        if path.startswith(("api/", "assets/")) or len(path) > LONGEST_PATH or "index.html" not in pages:
            raise HTTPException(404, "There is nothing at this address")
        name = OWN_PAGES.get(path) or PAGES_OF_A_JOB.get(path.partition("/")[0]) or "index.html"
        content = pages.get(name, pages["index.html"])
        if name == "job.html":
            content = await first_look.into(content, path)
        return HTMLResponse(content, headers={"cache-control": "private, no-cache"})
