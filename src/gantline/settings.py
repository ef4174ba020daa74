"""Settings of the server, from GANTLINE_* variables or the command line; nothing is read at import."""

from pathlib import Path
from typing import Literal

from pydantic import Field, SecretStr, field_validator
from pydantic_settings import BaseSettings, SettingsConfigDict

HERE = ("127.0.0.1", "localhost", "::1")
EVERYWHERE = ("0.0.0.0", "::")  # noqa: S104 - bound only where names are given
PORTS = 65536
PROJECT = Path(__file__).resolve().parents[2]


class Settings(BaseSettings):
    """database_url empty: the private PostgreSQL under data_folder is used.

    host: where it is bound; beyond this machine it serves HTTPS, and only paired devices. certificate, certificate_key:
    PEM files; without them one of its own making. hosts: further names the server is known by. threads: requests
    worked on at once, each with one connection; waiting: requests under way before more are sent away. worker: one is
    run beside the server; processes: how many serve. log: lines or json, or off for none but warnings. projectors: those that
    may be asked and set, each as name=host:port; no other address is ever connected to. Without any, the demo brings a
    simulated one. nightly: a backup is made each night, into `backups`, sealed by backup_passphrase where one is given.
    most_gigabytes: how large the database may grow. outside: the database is not the private one.
    """

    model_config = SettingsConfigDict(env_prefix="GANTLINE_", frozen=True, extra="ignore")

    database_url: str = ""
    data_folder: Path = PROJECT / ".gantline"
    web_folder: Path = PROJECT / "web" / "dist"
    host: str = "127.0.0.1"
    certificate: Path | None = None
    certificate_key: Path | None = None
    port: int = 8420
    largest_body_bytes: int = 1_500_000
    demo: bool = True
    hosts: tuple[str, ...] = ()
    threads: int = 8
    waiting: int = 200
    worker: bool = True
    processes: int = Field(default=1, ge=1, le=64)
    log: Literal["lines", "json", "off"] = "off"
    projectors: tuple[str, ...] = ()
    nightly: bool = True
    backups: Path | None = None
    backup_passphrase: SecretStr | None = None
    most_gigabytes: float = Field(default=50.0, gt=0.0)
    outside: bool = False

    @property
    def backup_folder(self) -> Path:
        """Where nightly backups are: beside the data folder, where nothing else is said."""
        place = self.data_folder.absolute()
        return self.backups or place.with_name(f"{place.name}-backups")

    @property
    def beyond(self) -> bool:
        """Whether other machines are served."""
        return self.host not in HERE

    @field_validator("projectors")
    @classmethod
    def _places(cls, listed: tuple[str, ...]) -> tuple[str, ...]:
        places(listed)
        return listed

    @property
    def names(self) -> tuple[str, ...]:
        """What other machines call this one; the first stands in links."""
        return tuple(dict.fromkeys(one for one in (*self.hosts, self.host) if one not in EVERYWHERE))

    def address(self, port: int) -> str:
        """Where this is found by a browser."""
        name = self.names[0] if self.beyond else self.host
        return f"{'https' if self.beyond else 'http'}://{f'[{name}]' if ':' in name else name}:{port}"


def places(listed: tuple[str, ...]) -> dict[str, tuple[str, int]]:
    """Host and port by name of what is listed as name=host:port.  Raises: ValueError, naming the entry."""
    found: dict[str, tuple[str, int]] = {}
    for listing in listed:
        name, _, place = listing.partition("=")
        host, _, port = place.rpartition(":")
        fits = name.strip() and name.isprintable() and "/" not in name
        if not (fits and host and port.isascii() and port.isdigit() and 0 < int(port) < PORTS):
            raise ValueError(f"{listing!r} is no projector: write name=host:port, no / in the name")
        found[name.strip()] = host.strip("[]"), int(port)
    return found


def psycopg_url(url: str) -> str:
    """The URL with SQLAlchemy's driver name, whichever common form was given."""
    scheme, slashes, rest = url.partition("://")
    return f"postgresql+psycopg{slashes}{rest}" if scheme in ("postgres", "postgresql") else url
