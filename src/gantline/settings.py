"""Settings of the server, from GANTLINE_* variables or the command line; nothing is read at import."""

from pathlib import Path
from typing import Literal

from pydantic import Field
from pydantic_settings import BaseSettings, SettingsConfigDict

PROJECT = Path(__file__).resolve().parents[2]


class Settings(BaseSettings):
    """database_url empty: the private PostgreSQL under data_folder is used.

    hosts: further names the server is known by. threads: requests worked on at once, each with one connection; waiting:
    requests under way before more are sent away. worker: one is run beside the server; processes: how many serve.
    log: lines or json, or off for none but warnings.
    """

    model_config = SettingsConfigDict(env_prefix="GANTLINE_", frozen=True, extra="ignore")

    database_url: str = ""
    data_folder: Path = PROJECT / ".gantline"
    web_folder: Path = PROJECT / "web" / "dist"
    host: str = "127.0.0.1"
    port: int = 8420
    largest_body_bytes: int = 1_500_000
    demo: bool = True
    hosts: tuple[str, ...] = ()
    threads: int = 8
    waiting: int = 200
    worker: bool = True
    processes: int = Field(default=1, ge=1, le=64)
    log: Literal["lines", "json", "off"] = "off"


def psycopg_url(url: str) -> str:
    """The URL with SQLAlchemy's driver name, whichever common form was given."""
    scheme, slashes, rest = url.partition("://")
    return f"postgresql+psycopg{slashes}{rest}" if scheme in ("postgres", "postgresql") else url
