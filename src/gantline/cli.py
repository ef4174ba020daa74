"""The command line: plan, sheets, serve, demo, schema; the same functions the API uses.

Each command loads what it needs: what cannot start says so in half a second, not in two.
"""

import json
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from enum import StrEnum
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer
from pydantic import ValidationError
from pydantic_settings import SettingsError

from gantline.core.errors import DesignError
from gantline.settings import Settings

if TYPE_CHECKING:
    from gantline.job.model import Job

app = typer.Typer(
    no_args_is_help=True,
    add_completion=False,
    help="Plans fixed-frame projection screens, right to the tape mark.",
)
JobFile = Annotated[Path, typer.Argument(help="a job file (.job.json)", exists=True, dir_okay=False)]


def _read(path: Path) -> "Job":
    from gantline.job.file import read_job_file
    from gantline.job.problems import BadDocument

    try:
        return read_job_file(path.read_bytes())
    except BadDocument as error:
        for problem in error.problems:
            typer.echo(f"{path.name} {problem.pointer}: {problem.text}", err=True)
        raise typer.Exit(2) from error


@app.command()
def plan(
    job: JobFile, drawing: Annotated[bool, typer.Option(help="with the marks of all faces")] = False
) -> None:
    """Print the plan of a job file as JSON. Exit code 3 if it has a stop finding."""
    import orjson

    from gantline.plan.working import as_plain
    from gantline.sheets.plan_json import whole
    from gantline.stations import face
    from gantline.stations import plan as make_plan
    from gantline.stations.board import FACES

    document = _read(job)
    planned = make_plan(document)
    body: object = whole(planned)
    if drawing:
        body = {"plan": whole(planned), "drawing": {name: face(planned, name) for name in FACES}}
    sys.stdout.buffer.write(orjson.dumps(body, default=as_plain, option=orjson.OPT_INDENT_2) + b"\n")
    if any(finding.severity == "stop" for finding in planned.plan.findings):
        raise typer.Exit(3)


@app.command()
def sheets(
    job: JobFile,
    out: Annotated[Path, typer.Option(help="folder for the sheets")] = Path("sheets"),
    paper: Annotated[str, typer.Option(help="a4 or letter")] = "a4",
) -> None:
    """Write every sheet of a job file into a folder; fabrics are compared with the sample stores."""
    from gantline.demo.world import named_records
    from gantline.job.records import RecordKind
    from gantline.sheets.pdf import PAPERS
    from gantline.sheets.registry import SHEETS
    from gantline.sheets.sheet import Ready
    from gantline.stations import plan as make_plan

    if paper not in PAPERS:
        raise typer.BadParameter("paper is a4 or letter")
    document = _read(job)
    planned = make_plan(document)
    ready = Ready(
        made=planned,
        stamp=job.name,
        paper=paper,
        fabrics=named_records(RecordKind.FABRIC),
        boards=named_records(RecordKind.BOARD),
    )
    out.mkdir(parents=True, exist_ok=True)
    for kind in SHEETS.values():
        path = out / f"{document.name.replace('/', '-')}, {kind.ending}"
        path.write_bytes(kind.make(ready))
        typer.echo(str(path))


@app.command()
def schema(
    api: Annotated[bool, typer.Option(help="the HTTP interface (OpenAPI) instead of the job file")] = False,
) -> None:
    """Print the JSON schema of the job file."""
    if api:
        from gantline.server import create_app

        described = create_app(Settings(database_url="postgresql://nobody@127.0.0.1/none")).openapi()
    else:
        from gantline.job.model import Job

        described = Job.model_json_schema()
    typer.echo(json.dumps(described, indent=2, ensure_ascii=False, sort_keys=api))


@app.command()
def pens(
    out: Annotated[Path, typer.Option(help="folder for the two files")] = Path("web/src/board"),
) -> None:
    """Write the board's pens, made from drawing/pens.py: a style sheet, and radius and weight for the code."""
    from gantline.drawing.pens import screen_code, screen_css

    (out / "pens.generated.css").write_text(screen_css(), encoding="utf-8")
    (out / "pens.generated.ts").write_text(screen_code(), encoding="utf-8")


@app.command()
def demo(
    out: Annotated[Path, typer.Option(help="folder for the sample job files")] = Path("demo-jobs"),
) -> None:
    """Write the sample job files into a folder."""
    from gantline.demo.world import JOB_FILES, job_bytes

    out.mkdir(parents=True, exist_ok=True)
    for name in JOB_FILES:
        path = out / f"{name}.job.json"
        path.write_bytes(job_bytes(name))
        typer.echo(str(path))


class MeterKind(StrEnum):
    """What the stand-in pretends to be."""

    DISTANCE = "distance"
    STUDS = "studs"
    GAPS = "gaps"


@app.command()
def meter(
    job: Annotated[str, typer.Argument(help="id of a job")],
    server: Annotated[str, typer.Option(help="address of the server")] = "ws://127.0.0.1:8420",
    wall: Annotated[float, typer.Option(help="wall width to pretend [mm]")] = 4700.0,
    memory: Annotated[Path, typer.Option(help="the meter's memory")] = Path("meter.jsonl"),
    kind: Annotated[MeterKind, typer.Option(help="what to pretend")] = MeterKind.DISTANCE,
    spacing: Annotated[float, typer.Option(help="stud spacing to pretend [mm]")] = 406.4,
    first: Annotated[float, typer.Option(help="first stud to pretend [mm]")] = 310.0,
    seed: Annotated[int, typer.Option(help="of the made-up noise")] = 1,
) -> None:
    """A stand-in distance meter stud sensor or straightedge: takes a few made-up readings and sends them over the feed."""
    from gantline.devices.distance_meter import DistanceMeter, gap_walk, stud_walk, survey_walk

    source, walk = {
        MeterKind.DISTANCE: ("stand-in meter", survey_walk(wall, 1250.0, 12.0)),
        MeterKind.STUDS: ("stand-in sensor", stud_walk(wall, spacing, first, seed)),
        MeterKind.GAPS: ("stand-in straightedge", gap_walk(wall, seed)),
    }[kind]
    device = DistanceMeter(source, memory)
    for one in walk:
        device.take(*one)
    typer.echo(f"{device.deliver(f'{server}/api/jobs/{job}/feed')} readings delivered")


@app.command()
def projector(
    port: Annotated[int, typer.Option(min=0, max=65535, help="port on 127.0.0.1; 0 takes a free one")] = 7420,
    drop: Annotated[float, typer.Option(min=0, max=1, help="share of answers at which the line drops")] = 0.0,
    silent: Annotated[float, typer.Option(min=0, max=1, help="share of requests never answered")] = 0.0,
    wrong: Annotated[float, typer.Option(min=0, max=1, help="share of answers to another question")] = 0.0,
    garble: Annotated[float, typer.Option(min=0, max=1, help="share of answers that are no text")] = 0.0,
) -> None:
    """A simulated projector that speaks the line protocol of docs/projector-line.md, until Ctrl-C."""
    import asyncio

    from gantline.devices.simulated_projector import Faults, SimulatedProjector, serve_forever

    made = SimulatedProjector(faults=Faults(drop, silent, wrong, garble))
    try:
        asyncio.run(
            serve_forever(made, "127.0.0.1", port, lambda at: typer.echo(f"listening on 127.0.0.1:{at}"))
        )
    except KeyboardInterrupt:
        pass
    except OSError as error:
        typer.echo(f"Port {port} cannot be used: {error.strerror}. Give another with --port.", err=True)
        raise typer.Exit(1) from error


Data = Annotated[Path | None, typer.Option(help="folder of the private database")]
Database = Annotated[str | None, typer.Option(help="URL of a PostgreSQL to use instead of the private one")]


def _settings(**given: object) -> Settings:
    """The settings of command line and environment.  Raises: RuntimeError naming the one that cannot be."""
    try:
        return Settings(**{key: value for key, value in given.items() if value is not None})  # type: ignore[arg-type]
    except (ValidationError, SettingsError) as error:
        first = error.errors()[0] if isinstance(error, ValidationError) else None
        said = f"{'.'.join(map(str, first['loc']))}: {first['msg']}" if first else str(error)
        raise RuntimeError(
            f"A setting cannot be used: {said}.\nMend it in the environment (GANTLINE_…) or on the command line."
        ) from error


@contextmanager
def _in_words() -> Iterator[None]:
    """Trouble is said on standard error, and the command ends with 1."""
    try:
        yield
    except (DesignError, RuntimeError) as error:
        typer.echo(str(error), err=True)
        raise typer.Exit(1) from error


@app.command()
def backup(file: Path, data: Data = None, database: Database = None) -> None:
    """Write everything (jobs, versions, records, settings, readings) into one file, also while Gantline runs."""
    from gantline import keep

    with _in_words(), keep.database(_settings(data_folder=data, database_url=database)) as url:
        keep.backup(url, file)
    typer.echo(f"{file}: {file.stat().st_size // 1000 + 1} kB")


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(exists=True, dir_okay=False)],
    data: Data = None,
    database: Database = None,
) -> None:
    """Bring a backup back into an empty folder or an empty database."""
    from gantline import keep
    from gantline.restore import restore as bring_back

    with _in_words(), keep.database(_settings(data_folder=data, database_url=database), new=True) as url:
        secret = _settings().backup_passphrase
        typer.echo(bring_back(url, file, secret.get_secret_value() if secret else ""))


@app.command()
def export(file: Path, data: Data = None, database: Database = None) -> None:
    """Write the whole shop as a zip of open files: jobs with every version, readings and photos, stores, settings."""
    from sqlalchemy import create_engine
    from sqlalchemy.orm import Session

    from gantline import keep
    from gantline.datafolder import private_file
    from gantline.openfiles import write_shop
    from gantline.settings import psycopg_url
    from gantline.store.shops import the_shop

    with _in_words(), keep.database(_settings(data_folder=data, database_url=database)) as url:
        keep.check_target(file)
        engine = create_engine(psycopg_url(url))
        with Session(engine) as session, private_file(file) as handle:
            write_shop(session, the_shop(session), handle)
        engine.dispose()
    typer.echo(str(file))


@app.command("import")
def import_shop(
    file: Annotated[Path, typer.Argument(exists=True, dir_okay=False)],
    data: Data = None,
    database: Database = None,
) -> None:
    """Read an exported shop into an empty installation; devices are paired anew."""
    from sqlalchemy import create_engine
    from sqlalchemy.orm import Session

    from gantline import keep
    from gantline.openfiles import read_shop
    from gantline.settings import psycopg_url
    from gantline.store.migrate import migrate

    with _in_words(), keep.database(_settings(data_folder=data, database_url=database), new=True) as url:
        engine = create_engine(psycopg_url(url))
        try:
            migrate(engine)
            with Session(engine) as session, session.begin():
                count = read_shop(session, file)
        finally:
            engine.dispose()
    typer.echo(f"{count} jobs are here now. Pair each device again.")


@app.command()
def doctor(data: Data = None, database: Database = None) -> None:
    """Say what of this installation is well and what is not. Changes nothing; exit code 1 if something is wrong."""
    from gantline.doctor import doctor as looked_at

    well = True
    for good, text in looked_at(_settings(data_folder=data, database_url=database)):
        typer.echo(f"{'ok     ' if good else 'wrong  '} {text}")
        well = well and good
    if not well:
        raise typer.Exit(1)


@app.command()
def pair(data: Data = None, database: Database = None) -> None:
    """Make a code that pairs one more device with a Gantline that serves other machines (serve --host)."""
    from sqlalchemy import create_engine
    from sqlalchemy.orm import Session

    from gantline import keep
    from gantline.settings import psycopg_url
    from gantline.store import devices, shops

    with _in_words(), keep.database(_settings(data_folder=data, database_url=database)) as url:
        engine = create_engine(psycopg_url(url))
        with Session(engine) as session, session.begin():
            code, _ = devices.new_code(session, shops.the_shop(session))
        engine.dispose()
    typer.echo(f"{code} is good for 15 minutes: open /pair on the device and type it.")


@app.command()
def work(
    database: Annotated[
        str, typer.Option(envvar="GANTLINE_DATABASE_URL", help="URL of the database to work for")
    ],
    at_once: Annotated[int, typer.Option(min=1, max=64, help="pieces of work at the same time")] = 1,
    seconds: Annotated[float, typer.Option(min=0.1, help="the longest one may take")] = 120.0,
    megabytes: Annotated[int, typer.Option(min=500, help="the most memory one may take")] = 4096,
) -> None:
    """Do heavy work (sheets, large comparisons) for every server on this database, until Ctrl-C."""
    from gantline.work.queue import Worker

    Worker(url=database, at_once=at_once, seconds=seconds, megabytes=megabytes).run()


@app.command()
def serve(
    port: Annotated[int | None, typer.Option(help="port on 127.0.0.1")] = None,
    data: Data = None,
    database: Database = None,
    no_demo: Annotated[bool, typer.Option("--no-demo", help="leave an empty database empty")] = False,
    no_backups: Annotated[bool, typer.Option("--no-backups", help="make no backup at night")] = False,
    workers: Annotated[int | None, typer.Option(min=1, max=64, help="server processes side by side")] = None,
    host: Annotated[str | None, typer.Option(help="name or address other machines reach this one by")] = None,
    certificate: Annotated[Path | None, typer.Option(help="PEM file, with --host")] = None,
    certificate_key: Annotated[Path | None, typer.Option(help="PEM file, with --host")] = None,
) -> None:
    """Start the database if it is the private one, migrate it, and serve until Ctrl-C."""
    from gantline.serving import serve as run

    demo = False if no_demo else None
    with _in_words():
        run(
            _settings(
                port=port, data_folder=data, database_url=database, demo=demo, processes=workers,
                host=host, certificate=certificate, certificate_key=certificate_key,
                nightly=False if no_backups else None,
            )
        )  # fmt: skip
