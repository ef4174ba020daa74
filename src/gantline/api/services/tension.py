"""What the tension bench asks of a job: its sheet as numbers, its orders, the questions that are put to the workers."""

from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.door import pure_question
from gantline.api.services.plans import planned
from gantline.compare.orders import Order, orders
from gantline.core.defaults import TensionDefaults
from gantline.core.errors import DesignError, OutOfRange
from gantline.core.membrane.numbers import LAW, SheetNumbers
from gantline.core.tension.points import Side
from gantline.core.typed_length import read_length
from gantline.job.problems import BadDocument, FieldProblem
from gantline.plan.ask import Ask
from gantline.stations.tension import cloths, sheet_numbers, tension_points, written_numbers
from gantline.store import jobs, results

MOST_MM = 500.0  # of a spring's stretch, and of a margin


class NoSheet(DesignError):
    """There is nothing to simulate."""

    code = "no-sheet"


def bench(desk: Desk, job_id: UUID) -> tuple[SheetNumbers, tuple[Order, ...], list[str]]:
    """The sheet, its orders, and what is written beside each point.  Raises: NoSheet."""
    at = _ask(desk, job_id)
    return _numbers(at), orders(at), _labels(at)


def order_args(desk: Desk, job_id: UUID, key: str) -> dict[str, Any]:
    """The question for one order.  Raises: NoSheet, OutOfRange for no such order."""
    at = _ask(desk, job_id)
    order = next((each for each in orders(at) if each.key == key), None)
    if order is None:
        raise OutOfRange(f"there is no order called {key}", field="order", got=key)
    changes = [{"pointer": change.pointer, "value": change.value} for change in order.changes]
    return {"numbers": _numbers(order.ask).plain(), "changes": changes, **_written(at)}


def what_if_args(desk: Desk, job_id: UUID) -> dict[str, Any]:
    """The question for the sheet otherwise.  Raises: NoSheet."""
    at = _ask(desk, job_id)
    numbers = _numbers(at)
    kept = numbers.without_order.plain() | {"border_mm": numbers.plain()["border_mm"]}
    return {
        "numbers": kept,
        "cloths": at(cloths),
        "enough": at.default(TensionDefaults.even_share),
        **_written(at),
    }


def wrinkle_args(desk: Desk, job_id: UUID, seen: dict[str, Any]) -> tuple[bool, dict[str, Any]]:
    """Whether the faults of this sheet are computed already, and the question for what is seen.  Raises: NoSheet, OutOfRange."""
    at = _ask(desk, job_id)
    numbers = _numbers(at)
    plain = numbers.without_order.plain()
    springs = dict[str, float]()
    for place, typed in seen["stretched"].items():
        pointer = f"/stretched/{place}"
        if int(place) >= len(numbers.points):
            raise BadDocument([FieldProblem(pointer, f"This sheet has {len(numbers.points)} points.", place)])
        springs[place] = _length(at, pointer, typed, least=0.0)
    margins = {
        str(Side(side).value): _length(at, f"/margins/{side}", typed, least=-MOST_MM)
        for side, typed in seen["margins"].items()
    }
    library = pure_question(desk, "causes", {"numbers": plain}, LAW)
    args = {
        "numbers": plain,
        "library": library.key,
        "lines": [
            {"from": line["from_mm"], "to": line["to_mm"], "bad": line["bad"]} for line in seen["lines"]
        ],
        "patches": [{"at": patch["at_mm"], "radius": patch["radius_mm"]} for patch in seen["patches"]],
        "springs": springs,
        "margins": margins,
        "labels": _labels(at),
        **_written(at),
    }
    return results.done(desk.session, library.key) is not None, args


def _length(at: Ask, pointer: str, typed: str, least: float) -> float:
    """A typed length [mm].  Raises: BadDocument, naming the field."""
    try:
        length = read_length(typed, at.own_units).length_mm
    except DesignError as error:
        raise BadDocument([FieldProblem(pointer, str(error), typed)]) from error
    if not least <= length <= MOST_MM:
        said = f"This is from {at.text(least)} to {at.text(MOST_MM)}."
        raise BadDocument([FieldProblem(pointer, said, typed)])
    return length


def _ask(desk: Desk, job_id: UUID) -> Ask:
    return planned(desk, jobs.head(desk.session, desk.shop_id, job_id)).ask


def _numbers(at: Ask) -> SheetNumbers:
    numbers = at(sheet_numbers)
    if isinstance(numbers, str):
        raise NoSheet(numbers)
    return numbers


def _labels(at: Ask) -> list[str]:
    """What is written beside each point, in the order of the sheet's points: clockwise from the top left."""
    points, written = at(tension_points), at(written_numbers)
    if isinstance(points, str):
        return []
    by_place = {(point.side, round(point.reading_mm, 3)): str(written[point.number]) for point in points}
    return [by_place[point.side, round(point.reading_mm, 3)] for point in _numbers(at).spots()]


def _written(at: Ask) -> dict[str, Any]:
    return {"style": at.own_units.style.value, "denominator": at.own_units.denominator}
