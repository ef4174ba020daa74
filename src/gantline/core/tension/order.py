"""The whole order of tension for the real points of a frame, in either school.

The rule behind all orders: work in opposite pairs so that the fabric stays centred, and never
finish one side before its opposite is started.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise, zip_longest

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.tension.holds import HOLDS, Hold, HoldKind, School
from gantline.core.tension.points import OPPOSITE, RAILS, Side, TensionPoint
from gantline.core.tension.steps import CENTER_BAR, CORNERS, TensionStep, made_step
from gantline.core.tolerance import ROUNDING_MM

# Crosswise: a corner, the one opposite, then the other two.
CROSSWISE = (
    (Side.TOP, Side.LEFT),
    (Side.BOTTOM, Side.RIGHT),
    (Side.TOP, Side.RIGHT),
    (Side.BOTTOM, Side.LEFT),
)


class Bars(StrEnum):
    """When the center bars go in."""

    BEFORE = "before"
    BETWEEN = "between"
    AFTER = "after"


Run = tuple[TensionPoint, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Frame:
    """What the order needs to know of the frame [mm], of its kit and of the crew.

    first_side: done first of all; without it the short or the long sides begin. second_side: begins the other pair of sides;
    without it the left one, or the bottom in the order that ends at the corners. in_step: opposite sides together, else a
    whole side and then its opposite. batch: points of one step. corner_pass: points at a corner in one crosswise pass, 1
    or 2. cluster: points of each side that are held with its corner. from_end: along a side from one end to the other
    instead of from its middle. rods_last: adjusting rods are set when everything holds.
    trim_after: an outer frame or trim goes on after that.
    """

    width_mm: float
    height_mm: float
    corner_stop_mm: float
    short_sides_first: bool = True
    centre_bars: int = 0
    bars: Bars = Bars.BETWEEN
    first_side: Side | None = None
    second_side: Side | None = None
    in_step: bool = True
    batch: int = 1
    corner_pass: int = 2
    cluster: int = 1
    from_end: bool = False
    rods_last: bool = False
    trim_after: bool = False

    def __post_init__(self) -> None:
        require_positive(
            width_mm=self.width_mm, height_mm=self.height_mm, batch=self.batch, cluster=self.cluster
        )
        if self.corner_pass not in (1, 2):
            raise OutOfRange("a corner takes 1 or 2 points a pass", field="corner_pass", got=self.corner_pass)
        first, second = self.first_side, self.second_side
        if first is not None and second is not None and (first in RAILS) == (second in RAILS):
            raise OutOfRange(
                "the side that begins the other pair lies beside the first one, not across",
                field="second_side",
                got=second.value,
            )

    def length(self, side: Side) -> float:
        """Length of a side [mm]."""
        return self.width_mm if side in RAILS else self.height_mm

    def outwardness(self, side: Side, reading_mm: float) -> float:
        """0 at the middle of a side, 1 at its ends."""
        half = self.length(side) / 2.0
        return abs(reading_mm - half) / half


def tension_order(
    points: Sequence[TensionPoint], frame: Frame, hold: Hold, school: School
) -> tuple[TensionStep, ...]:
    """Every step from the first point to the last.

    Args: points as from spread(), so that opposite sides mirror; frame; hold; school, the hold's
        own or the crew's choice.
    Returns: numbered steps; every point is held exactly once, and a loose pass comes before.
    Source: corners first where points are fixed, middles outward where tension is frozen by hand.
    Leaves out: what the fabric does under it.  Raises: nothing.
    """
    kind = HOLDS[hold]
    work = _Work(points, frame, kind, walked=school is School.MIDDLES_OUTWARD)
    drafts: list[TensionStep] = []
    if kind.loose_pass:
        drafts += work.loose()
    drafts += work.bars(Bars.BEFORE)
    if school is School.CORNERS_FIRST:
        drafts += work.corners_first()
    else:
        drafts += work.middles_outward()
    if kind.filled:
        drafts += work.fill()
    drafts += work.bars(Bars.AFTER)
    drafts += work.rods()
    for number, step in enumerate(drafts, start=1):
        step.number = number
    return tuple(drafts)


class _Work:
    """The points sorted into corners and sides, and the passes made from them. Nothing changes once it is made."""

    def __init__(self, points: Sequence[TensionPoint], frame: Frame, kind: HoldKind, *, walked: bool) -> None:
        self.frame, self.kind, self.verb = frame, kind, kind.verb
        self.sides: dict[Side, list[TensionPoint]] = {side: [] for side in Side}
        for point in points:
            self.sides[point.side].append(point)
        for held in self.sides.values():
            held.sort(key=_reading)
        self.partner = {
            own.number: across.number
            for side in Side
            for own, across in zip(self.sides[side], self.sides[OPPOSITE[side]], strict=True)
        }
        self.ends = {side: self._ends(side, walked=walked) for side in Side}
        self.inner = {
            side: held[len(self.ends[side][0]) : len(held) - len(self.ends[side][1])]
            for side, held in self.sides.items()
        }

    def _ends(self, side: Side, *, walked: bool) -> tuple[list[TensionPoint], list[TensionPoint]]:
        """Points that belong to the corners at the start and the end of a side.

        The first and the last always; frozen by hand (walked), everything within the corner stop, which is left for
        the diagonal pull.
        """
        held, long = self.sides[side], self.frame.length(side)
        stop = held[0].reading_mm + 1e-6
        if walked and len(held) > 4:
            stop = max(stop, min(self.frame.corner_stop_mm - 1e-6, long / 3.0))
        count = next((at for at, one in enumerate(held) if one.reading_mm > stop), len(held))
        if not walked:
            count = max(count, self.frame.cluster)
        count = min(count, (len(held) + 1) // 2)
        return held[:count], held[max(count, len(held) - count) :]

    def corner(self, rail: Side, stile: Side) -> tuple[TensionPoint, ...]:
        near_left, near_top = stile is Side.LEFT, rail is Side.TOP
        return (*self.ends[rail][0 if near_left else 1], *self.ends[stile][0 if near_top else 1])

    def corners(self, part: str, action: str, reason: str, passes: int = 1) -> Iterator[TensionStep]:
        """Crosswise; in two passes the rails' points at every corner first, then the stiles'."""
        for turn in range(passes):
            for index, (rail, stile) in enumerate(CROSSWISE):
                held = self.corner(rail, stile)
                if passes == 2:
                    own = rail if turn == 0 else stile
                    held = tuple(one for one in held if one.side == own)
                why = reason if index == 0 else "Straight across: it centers the sheet." if index == 1 else ""
                if turn == 1:
                    why = "The second point of each corner, crosswise again." if index == 0 else ""
                yield made_step(part, f"{rail} {stile} corner", action, held, (), "", why)

    def loose(self) -> Iterator[TensionStep]:
        """Threaded from the middles of all sides, then each side outward with its opposite, the corners with it."""
        begun: set[int] = set()
        first, other = self.begins
        for index, side in enumerate((first, OPPOSITE[first], other, OPPOSITE[other])):
            group = self._middle_group(side)
            begun.update(p.number for p in group)
            why = (
                "Loose all round first: the sheet finds its center before anything pulls."
                if index == 0
                else ""
            )
            yield self._threaded(side, group, (), why)
        for side in self.begins:
            rest = tuple(
                sorted(
                    (p for p in self.sides[side] if p.number not in begun),
                    key=lambda p: (round(self.frame.outwardness(side, p.reading_mm), 9), p.reading_mm),
                )
            )
            if rest:
                yield self._threaded(side, rest, tuple(self.partner[p.number] for p in rest), "")

    def _threaded(
        self, side: Side, held: tuple[TensionPoint, ...], partners: tuple[int, ...], why: str
    ) -> TensionStep:
        across = OPPOSITE[side] if partners else ""
        action = "thread loosely from the middle outward, no pull" if partners else "thread loosely, no pull"
        step = made_step("Loose pass", side, action, held, partners, across, why)
        step.loose = True
        return step

    def corners_first(self) -> Iterator[TensionStep]:
        passes = 2 if self.frame.corner_pass == 1 else 1
        yield from self.corners(
            CORNERS, self.verb, "Fixed points: the corners set where the sheet lies.", passes
        )
        short = Side.LEFT if self.frame.height_mm <= self.frame.width_mm else Side.TOP
        long = Side.TOP if short is Side.LEFT else Side.LEFT
        names = {short: "Short sides", long: "Long sides"}
        order = [short, long] if self.frame.short_sides_first else [long, short]
        first = self.frame.first_side
        if first is not None:
            other = long if names.get(first, names.get(OPPOSITE[first])) == "Short sides" else short
            order = [first, other]
        second = self.frame.second_side
        if second is not None:  # whichever pair it belongs to, that pair begins with it
            order = [second if side in (second, OPPOSITE[second]) else side for side in order]
        for index, side in enumerate(order):
            if index == 1:
                yield from self.bars(Bars.BETWEEN)
            yield from self._along(names.get(side) or names[OPPOSITE[side]], side)

    def bars(self, when: Bars) -> Iterator[TensionStep]:
        """The center bars, at their time."""
        count = self.frame.centre_bars
        if not count or self.frame.bars is not when:
            return
        bars = "the center bar" if count == 1 else f"{count} center bars"
        why = {
            Bars.BEFORE: "In before the fabric, as the kit has it.",
            Bars.BETWEEN: "In before what comes next pulls the rails in.",
            Bars.AFTER: "In when everything holds: the fabric's pull keeps them.",
        }[when]
        yield made_step(CENTER_BAR, "inside", f"fit {bars}", (), (), "", why)

    def rods(self) -> Iterator[TensionStep]:
        """Adjusting rods when everything holds, and the outer frame over all of it."""
        if self.frame.rods_last:
            action = "turn each rod a little, crosswise, until even"
            why = "Only now: a rod that is turned earlier pulls the sheet off center."
            yield made_step("Adjusting rods", "all sides", action, (), (), "", why)
        if self.frame.trim_after:
            why = "It hides the points: look over the whole face first, nothing is reached any more."
            yield made_step("Trim", "all sides", "put on the outer frame, corners first", (), (), "", why)

    def _along(self, part: str, side: Side) -> Iterator[TensionStep]:
        """One pair of sides: partner points in step, or a whole side and then its opposite."""
        held = self.inner[side] if self.frame.from_end else self._outward(side)
        held = [one for one in held if one.first_pass]
        batches = self._batches(side, held)
        if not self.frame.in_step:
            yield from self._whole(part, side, batches, self.verb)
            return
        begin = "from one end" if self.frame.from_end else "from the middle"
        for index, batch in enumerate(batches):
            why = f"Partner points in step, {begin}, so nothing drifts." if index == 0 else ""
            yield self._paired(part, side, batch, self.verb, why)

    def _batches(self, side: Side, held: Sequence[TensionPoint]) -> list[Run]:
        """The points of one step each: from the middle an even batch takes half of it to either side, an odd one is counted to
        one side and then to the other, so that neither gets ahead."""
        count, half = self.frame.batch, self.frame.length(side) / 2.0
        if self.frame.from_end or count == 1:
            return [tuple(run) for run in batched(held, count)]
        at_middle = tuple(point for point in held if abs(point.reading_mm - half) < ROUNDING_MM)
        left = [point for point in held if point.reading_mm < half and point not in at_middle]
        right = [point for point in held if point.reading_mm > half and point not in at_middle]
        runs: list[Run] = [at_middle] if at_middle else []
        step = count // 2 if count % 2 == 0 else count
        for low, high in zip_longest(batched(left, step), batched(right, step), fillvalue=()):
            if count % 2 == 0:
                runs.append((*low, *high))
            else:
                runs += [tuple(run) for run in (low, high) if run]
        return runs

    def middles_outward(self) -> Iterator[TensionStep]:
        begun: set[int] = set()
        first, other = self.begins
        for index, side in enumerate((first, OPPOSITE[first], other, OPPOSITE[other])):
            group = self._middle_group(side)
            begun.update(p.number for p in group)
            why = self.kind.middles if index == 0 else ""
            yield made_step("Middles", side, self.kind.action, group, (), "", why)
        runs: dict[Side, list[Run]] = {}
        for side in self.begins:
            fresh = [one for one in self._outward(side) if one.number not in begun]
            runs[side] = self._batches(side, fresh)
        why = "Opposite pairs, all four sides in step, so wrinkles walk to the corners."
        yield from self._walk("Outward", runs, self.kind.action, why)
        passes = 2 if self.frame.corner_pass == 1 else 1
        yield from self.bars(Bars.BETWEEN)
        why = "Corners last: they take the last slack."
        yield from self.corners(CORNERS, self.kind.last_corner, why, passes)

    def fill(self) -> Iterator[TensionStep]:
        runs = {side: list(self._gaps(side)) for side in self.begins}
        why = "Fill in from the middles, again in opposite pairs."
        yield from self._walk("Fill", runs, self.verb, why)

    @property
    def begins(self) -> tuple[Side, Side]:
        """The side that goes first, and the one that begins the other pair."""
        first, second = self.frame.first_side, self.frame.second_side
        if first is None:
            if second is None:
                return Side.BOTTOM, Side.LEFT
            return Side.LEFT if second in RAILS else Side.BOTTOM, second
        return first, second or (Side.LEFT if first in RAILS else Side.BOTTOM)

    def _walk(self, part: str, runs: dict[Side, list[Run]], action: str, why: str) -> Iterator[TensionStep]:
        """Runs of points outward: all four sides in step, or a whole side and then its opposite."""
        if self.frame.in_step:
            every = [(side, run) for side, many in runs.items() for run in many]
            every.sort(key=lambda one: round(self.frame.outwardness(one[0], _middle(one[1])), 9))
            for index, (side, run) in enumerate(every):
                yield self._paired(part, side, run, action, why if index == 0 else "")
            return
        for side, many in runs.items():
            many.sort(key=lambda run, side=side: round(self.frame.outwardness(side, _middle(run)), 9))  # type: ignore[misc]
            yield from self._whole(part, side, many, action)

    def _whole(self, part: str, side: Side, many: Sequence[Run], action: str) -> Iterator[TensionStep]:
        """A whole side, run by run, and then its opposite."""
        across = {one.number: one for one in self.sides[OPPOSITE[side]]}
        begin = "from one end" if self.frame.from_end else "from the middle"
        for own in (side, OPPOSITE[side]):
            for index, run in enumerate(many):
                held = run if own is side else tuple(across[self.partner[one.number]] for one in run)
                why = (
                    f"A whole side, {begin}."
                    if own is side
                    else f"Its opposite, {begin}: check that the sheet still lies centered."
                )
                yield made_step(part, own, action, held, (), "", why if index == 0 else "")

    def _outward(self, side: Side) -> list[TensionPoint]:
        held = [p for p in self.inner[side] if p.first_pass]
        return sorted(
            held, key=lambda p: (round(self.frame.outwardness(side, p.reading_mm), 9), p.reading_mm)
        )

    def _middle_group(self, side: Side) -> tuple[TensionPoint, ...]:
        outward = self._outward(side)
        return tuple(sorted(outward[: 3 if len(outward) % 2 else 2], key=_reading))

    def _gaps(self, side: Side) -> Iterator[tuple[TensionPoint, ...]]:
        run: list[TensionPoint] = []
        for point in self.inner[side]:
            if not point.first_pass:
                run.append(point)
            elif run:
                yield tuple(run)
                run = []
        if run:
            yield tuple(run)

    def _paired(
        self, part: str, side: Side, held: tuple[TensionPoint, ...], action: str, why: str
    ) -> TensionStep:
        partners = tuple(self.partner[p.number] for p in held)
        return made_step(part, side, action, held, partners, OPPOSITE[side], why)


def _reading(point: TensionPoint) -> float:
    return point.reading_mm


def _middle(run: Run) -> float:
    """Where a run lies along its side [mm]: a gap by its middle, a batch that is taken in turns by its first point."""
    gap = all(a.reading_mm < b.reading_mm for a, b in pairwise(run))
    return (run[0].reading_mm + run[-1].reading_mm) / 2.0 if gap and len(run) > 2 else run[0].reading_mm


def batched(points: Sequence[TensionPoint], count: int) -> Iterator[Sequence[TensionPoint]]:
    """The points by the count, the last batch with what is left."""
    return (points[at : at + count] for at in range(0, len(points), count))
