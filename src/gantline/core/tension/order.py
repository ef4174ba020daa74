"""The whole order of tension for the real points of a frame, in either school.

The rule behind all orders: work in opposite pairs so that the fabric stays centred, and never
finish one side before its opposite is started.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.tension.holds import HOLDS, Hold, HoldKind, School
from gantline.core.tension.points import OPPOSITE, RAILS, Corner, Side, TensionPoint, numbered

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


MIDDLES = (Side.BOTTOM, Side.TOP, Side.LEFT, Side.RIGHT)


@dataclass(frozen=True, slots=True)
class OnTape:
    """Points of one side in the order they are done, and what a tape along that side reads at each [mm]."""

    side: Side
    points: tuple[int, ...]
    readings_mm: tuple[float, ...]

    @property
    def edge(self) -> str:
        """The piece of the frame the tape lies along: top rail, left stile."""
        return f"{self.side} {'rail' if self.side in RAILS else 'stile'}"


@dataclass(slots=True)  # not frozen: numbered once all are there
class TensionStep:
    """One step: which points on which side, where the tape reads, and what their partners are.

    held: the points on `place` (a side or a corner, from the back) in the order they are done; partners lie opposite at
    the same readings, done at the same time by two people, straight after by one. `reason` is set where the pattern
    changes. loose: threaded only, it holds nothing yet.
    """

    number: int
    part: str
    place: str
    action: str
    held: tuple[TensionPoint, ...]
    partners: tuple[int, ...]
    partner_place: str
    reason: str
    loose: bool = False

    @property
    def points(self) -> tuple[int, ...]:
        """Their numbers."""
        return tuple(one.number for one in self.held)

    @property
    def tapes(self) -> tuple[OnTape, ...]:
        """The same by side, each with its own readings from its own hooked corner."""
        return tuple(_tape(side, self.held) for side in dict.fromkeys(one.side for one in self.held))


@dataclass(frozen=True, slots=True, kw_only=True)
class Frame:
    """What the order needs to know of the frame [mm], of its kit and of the crew.

    first_side: done first of all; without it the short or the long sides begin. in_step: opposite sides together, else a
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


def renumbered(
    steps: Sequence[TensionStep], points: Sequence[TensionPoint], start: Corner, *, clockwise: bool
) -> tuple[TensionStep, ...]:
    """The same steps with a maker's own numbers; points as from spread()."""
    own = {(one.u_mm, one.v_mm, one.side): one for one in numbered(tuple(points), start, clockwise=clockwise)}
    by_number = {one.number: own[one.u_mm, one.v_mm, one.side] for one in points}
    return tuple(
        replace(
            step,
            held=tuple(by_number[one.number] for one in step.held),
            partners=tuple(by_number[number].number for number in step.partners),
        )
        for step in steps
    )


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
                yield _step(part, f"{rail} {stile} corner", action, held, (), "", why)

    def loose(self) -> Iterator[TensionStep]:
        """Threaded from the middles of all sides, then each side outward with its opposite, the corners with it."""
        begun: set[int] = set()
        for index, side in enumerate(MIDDLES):
            group = self._middle_group(side)
            begun.update(p.number for p in group)
            why = (
                "Loose all round first: the sheet finds its center before anything pulls."
                if index == 0
                else ""
            )
            yield self._threaded(side, group, (), why)
        for side in (Side.BOTTOM, Side.LEFT):
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
        step = _step("Loose pass", side, action, held, partners, across, why)
        step.loose = True
        return step

    def corners_first(self) -> Iterator[TensionStep]:
        passes = 2 if self.frame.corner_pass == 1 else 1
        yield from self.corners(
            "Corners", self.verb, "Fixed points: the corners set where the sheet lies.", passes
        )
        short = Side.LEFT if self.frame.height_mm <= self.frame.width_mm else Side.TOP
        long = Side.TOP if short is Side.LEFT else Side.LEFT
        names = {short: "Short sides", long: "Long sides"}
        order = [short, long] if self.frame.short_sides_first else [long, short]
        first = self.frame.first_side
        if first is not None:
            other = long if names.get(first, names.get(OPPOSITE[first])) == "Short sides" else short
            order = [first, other]
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
            Bars.BETWEEN: "In before these sides pull the rails in.",
            Bars.AFTER: "In when everything holds: the fabric's pull keeps them.",
        }[when]
        yield _step("Center bar", "inside", f"fit {bars}", (), (), "", why)

    def rods(self) -> Iterator[TensionStep]:
        """Adjusting rods when everything holds, and the outer frame over all of it."""
        if self.frame.rods_last:
            action = "turn each rod a little, crosswise, until even"
            why = "Only now: a rod that is turned earlier pulls the sheet off center."
            yield _step("Adjusting rods", "all sides", action, (), (), "", why)
        if self.frame.trim_after:
            why = "It hides the points: look over the whole face first, nothing is reached any more."
            yield _step("Trim", "all sides", "put on the outer frame, corners first", (), (), "", why)

    def _along(self, part: str, side: Side) -> Iterator[TensionStep]:
        """One pair of sides: partner points in step, or a whole side and then its opposite."""
        held = self.inner[side] if self.frame.from_end else self._outward(side)
        held = [one for one in held if one.first_pass]
        batches = [tuple(held[at : at + self.frame.batch]) for at in range(0, len(held), self.frame.batch)]
        begin = "from one end" if self.frame.from_end else "from the middle"
        if self.frame.in_step:
            for index, batch in enumerate(batches):
                why = f"Partner points in step, {begin}, so nothing drifts." if index == 0 else ""
                yield self._paired(part, side, batch, self.verb, why)
            return
        across = {one.number: one for one in self.sides[OPPOSITE[side]]}
        for turn, own in enumerate((side, OPPOSITE[side])):
            for index, batch in enumerate(batches):
                points = batch if turn == 0 else tuple(across[self.partner[one.number]] for one in batch)
                why = (
                    f"A whole side, {begin}.",
                    f"Its opposite, {begin}: check that the sheet still lies centered.",
                )[turn]
                yield _step(part, own, self.verb, points, (), "", why if index == 0 else "")

    def middles_outward(self) -> Iterator[TensionStep]:
        begun: set[int] = set()
        for index, side in enumerate(MIDDLES):
            group = self._middle_group(side)
            begun.update(p.number for p in group)
            yield _step(
                "Middles", side, self.kind.action, group, (), "", self.kind.middles if index == 0 else ""
            )
        walk = [(side, held) for side in (Side.BOTTOM, Side.LEFT) for held in self._outward(side)]
        walk.sort(key=lambda one: self.frame.outwardness(one[0], one[1].reading_mm))
        fresh = [(side, held) for side, held in walk if held.number not in begun]
        for index, (side, held) in enumerate(fresh):
            why = (
                "Opposite pairs, all four sides in step, so wrinkles walk to the corners."
                if index == 0
                else ""
            )
            yield self._paired("Outward", side, (held,), self.kind.action, why)
        yield from self.corners("Corners", self.kind.last_corner, "Corners last: they take the last slack.")

    def fill(self) -> Iterator[TensionStep]:
        runs = [(side, run) for side in (Side.BOTTOM, Side.LEFT) for run in self._gaps(side)]
        runs.sort(key=lambda one: self.frame.outwardness(one[0], _middle(one[1])))
        for index, (side, run) in enumerate(runs):
            why = "Fill in from the middles, again in opposite pairs." if index == 0 else ""
            yield self._paired("Fill", side, run, self.verb, why)

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
        return _step(part, side, action, held, partners, OPPOSITE[side], why)


def _reading(point: TensionPoint) -> float:
    return point.reading_mm


def _middle(run: tuple[TensionPoint, ...]) -> float:
    return (run[0].reading_mm + run[-1].reading_mm) / 2.0


def _step(
    part: str,
    place: str,
    action: str,
    held: tuple[TensionPoint, ...],
    partners: tuple[int, ...],
    partner_place: str,
    reason: str,
) -> TensionStep:
    return TensionStep(0, part, place, action, held, partners, partner_place, reason)


def _tape(side: Side, held: tuple[TensionPoint, ...]) -> OnTape:
    there = [p for p in held if p.side == side]
    return OnTape(side, tuple(p.number for p in there), tuple(p.reading_mm for p in there))
