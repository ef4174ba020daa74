"""The materials list: what all stations need, merged, with what is on hand and what it costs."""

import math
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass

from gantline.compare.cutting import Boards, Cutting, cutting
from gantline.compare.masks import mask_panels, velvet_text
from gantline.core.defaults import BlankDefaults, FrameDefaults
from gantline.core.fabric.blank import metres_to_order, yards_to_order
from gantline.core.materials import Bought, Need, line_of, merged, with_spares
from gantline.core.tension.holds import HOLDS, Hold
from gantline.core.trim.backlight import Backlight as Strip
from gantline.core.trim.spacers import SpacerStrips
from gantline.core.wall.ways import KINDS, Way
from gantline.job.model.frame import Backlight, Blank, BoxPart, FrameBuild, Materials, OwnMaterial
from gantline.job.model.hanging import Hanging
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common import way
from gantline.stations.frame import blank, brace_count, joints, pocket_screw, roll_cut, timber
from gantline.stations.size import screen
from gantline.stations.tension import tension_points
from gantline.stations.trim import border_kind, rolls, strip
from gantline.stations.trim.solve import feed, spacers
from gantline.stations.wall import bought_fixing, by_inches, drilling, fixings_top
from gantline.stations.wall.flat import pack
from gantline.stations.wall.ledger import ROWS as LEDGER_ROWS
from gantline.stations.wall.ledger import frame_screws, ledger_parts
from gantline.stations.wall.pads import pads
from gantline.stations.wall.way import bottom, cleat_place, cleat_stands, hang_parts

ITEM_NAMES = {
    Hold.STAPLE: "staples",
    Hold.TACK: "tacks",
    Hold.SPRING: "springs",
    Hold.LUG: "lugs",
    Hold.SNAP: "snaps",
    Hold.LACE: "lacing eyelets",
    Hold.PIN: "pull pins",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class MaterialRow:
    """One line of the list; amounts as text with their unit. price_of: what a price is of, a pack or a unit. state: buy,
    ordered, here."""

    key: str
    name: str
    needed: str
    on_hand: float
    pack: float
    packs: int
    buy: str
    price: float | None
    price_of: str
    cost: float | None
    why: str
    state: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MaterialList:
    """Every line, its cost so far, and how that stands against the quote; unpriced: lines without a price."""

    rows: tuple[MaterialRow, ...]
    cost: float
    quoted: float | None
    left: float | None
    unpriced: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Bench:
    """What the workshop asks: the cuts, and everything to buy."""

    cutting: Cutting
    materials: MaterialList


def bench(at: Ask, boards: Boards) -> Bench:
    """Cuts and materials of one job.  boards: the stores' records."""
    cut = cutting(at, boards)
    return Bench(cutting=cut, materials=material_list(at, cut))


def material_list(at: Ask, cut: Cutting) -> MaterialList:
    """Needs of all stations by item, and what the job says of each."""
    own = {material.id: material for material in at.things(Materials.items)}
    rows = []
    for need in merged((*_boards(cut), *needed_but_boards(at))):
        mine = own.get(need.key)
        bought = Bought(
            on_hand=at.of(mine, OwnMaterial.on_hand) if mine else 0.0,
            pack=mine.pack if mine else None,
            price=mine.price if mine and mine.price is not None else _board_price(cut, need.key),
            arrived=bool(mine and mine.arrived),
        )
        line = line_of(need, bought)
        state = (
            "here"
            if line.missing <= 0.0 or bought.arrived
            else "ordered"
            if mine and mine.arrived is False
            else "buy"
        )
        rows.append(
            MaterialRow(
                key=need.key,
                name=need.name,
                needed=_amount(need),
                on_hand=line.on_hand,
                pack=bought.pack or need.pack,
                packs=line.packs,
                buy=_buy(line.packs, bought.pack or need.pack, need.unit),
                price=bought.price,
                price_of="pack" if need.priced is None else need.unit,
                cost=None if line.cost is None else round(line.cost, 2),
                why=need.why,
                state=state,
            )
        )
    cost = round(sum(row.cost or 0.0 for row in rows), 2)
    quoted = at.given(Materials.quoted)
    return MaterialList(
        rows=tuple(rows),
        cost=cost,
        quoted=quoted,
        left=None if quoted is None else quoted - cost,
        unpriced=sum(1 for one in rows if one.cost is None and one.packs > 0),
    )


def needed_but_boards(at: Ask) -> tuple[Need, ...]:
    """What every station needs, without what comes off the saw."""
    return (*_frame(at), *_fabric(at), *_trim(at), *_masks(at), *_hang(at), *_always())


def _amount(need: Need) -> str:
    number = f"{need.amount:.1f}" if need.unit else f"{math.ceil(need.amount - 1e-9)}"
    return f"{number} {need.unit}".strip()


def _buy(packs: int, pack: float, unit: str) -> str:
    if not packs:
        return ""
    if unit:
        return f"{packs * pack:.1f} {unit}"
    return f"{packs}" if pack == 1.0 else f"{packs} × {pack:g}"


def _board_key(board: str, long: float) -> str:
    return f"board-{board.replace('×', 'x')}-{round(long)}"


@dataclass(frozen=True, slots=True, kw_only=True)
class _Boards:
    """Boards of one name, length and price, as they are bought; price None: nobody said what they cost."""

    key: str
    name: str
    count: int
    price: float | None
    why: str


def _bought_boards(cut: Cutting) -> Iterator[_Boards]:
    """A line for each length, and where one length has two prices, a line for each price."""
    for group in cut.groups:
        counts = Counter((board.length_mm, board.length, board.price) for board in group.boards)
        prices = Counter(long for long, _, _ in counts)
        for (long, text, price), count in sorted(counts.items()):
            key, name = _board_key(group.board, long), f"board {group.board}, {text}"
            if prices[long] > 1 and group.priced:
                key, name = f"{key}-{round(100.0 * price)}", f"{name}, at {price:.2f}"
            yield _Boards(
                key=key, name=name, count=count, price=price if group.priced else None, why=group.name
            )


def _boards(cut: Cutting) -> Iterator[Need]:
    for boards in _bought_boards(cut):
        yield Need(key=boards.key, name=boards.name, amount=boards.count, why=boards.why)


def _board_price(cut: Cutting, key: str) -> float | None:
    return next((boards.price for boards in _bought_boards(cut) if boards.key == key), None)


def _frame(at: Ask) -> Iterator[Need]:
    joinery = at(joints)
    if joinery is None:
        if not at(timber):
            yield Need(key="kit", name=at.field(FrameBuild.name) or "frame kit", amount=1, why="frame")
        return
    long = at(pocket_screw)
    if long is not None:
        name = f"pocket screws, {at.text(long) if at(by_inches) else f'{long:.0f} mm'}"
        yield Need(key="pocket-screws", name=name, amount=joinery.screws, pack=50, why="frame joints")
    if joinery.corner_plates:
        yield Need(
            key="l-plates", name="flat L plates", amount=joinery.corner_plates, pack=4, why="frame corners"
        )
    if joinery.brace_plates:
        yield Need(key="t-plates", name="flat T plates", amount=joinery.brace_plates, pack=4, why="braces")
    if joinery.plate_screws:
        yield Need(
            key="plate-screws", name="plate screws", amount=joinery.plate_screws, pack=50, why="plates"
        )
    yield Need(key="glue", name="wood glue, bottle", amount=1, why="frame joints")
    yield Need(key="sandpaper", name="sandpaper, sheets", amount=3, pack=5, why="joints flush, edges round")


def _fabric(at: Ask) -> Iterator[Need]:
    hold = Hold(at.field(Tensioning.hold))
    if at(timber):
        yield _off_the_roll(at)
    if at.field(Blank.backing):
        yield from _velvet_behind(at)
    points = at(tension_points)
    if isinstance(points, str) or not at(timber):  # a kit brings its own
        return
    driven = HOLDS[hold].boards
    spare = at.default(FrameDefaults.spare_staples if driven else FrameDefaults.spare_points)
    name = ITEM_NAMES[hold]
    yield Need(
        key=name.replace(" ", "-"),
        name=name,
        amount=with_spares(len(points), spare),
        pack={Hold.STAPLE: 1000.0, Hold.TACK: 100.0}.get(hold, 10.0),
        why="tension, with spares",
    )


def _velvet_behind(at: Ask) -> Iterator[Need]:
    size, braces = at(screen), at(brace_count) if at(timber) else 0
    text = f"{at.text(at.up(size.overall_width_mm))} × {at.text(at.up(size.overall_height_mm))}"
    yield Need(
        key="velvet-behind",
        name=f"black velvet behind the fabric, {text}",
        amount=1,
        why="nothing shows through",
    )
    if braces:
        yield Need(
            key="brace-washers",
            name="washers for the braces",
            amount=round(at.default(FrameDefaults.brace_washers)) * braces,
            pack=50,
            why="velvet and braces off the fabric",
        )


def _off_the_roll(at: Ask) -> Need:
    """The fabric in meters or yards; without a roll width, its longer side along the roll."""
    cut, cloth = at(roll_cut), at.field(Tensioning.fabric) or "fabric"
    if cut is None:
        across, along = sorted(at(blank))
        name = f"{cloth}, off a roll at least {at.text(across)} wide"
    else:
        name, along = f"{cloth}, off the roll", cut.along_mm
    if at(by_inches):
        amount, unit = yards_to_order(along), "yd"
    else:
        amount, unit = metres_to_order(along, at.default(BlankDefaults.roll_step_mm)), "m"
    whole = amount * at.field(Blank.layers)
    return Need(key="fabric", name=name, amount=whole, unit=unit, pack=0.1, priced=1.0, why="fabric blank")


def _trim(at: Ask) -> Iterator[Need]:
    rolled, light = at(rolls), at(strip)
    if rolled is not None:
        name = "border velvet, roll" if at(border_kind) == "velvet" else "felt tape, roll"
        yield Need(key="border", name=name, amount=rolled.count, why="border")
    if isinstance(light, Strip):
        yield Need(key="strip-reels", name="light strip, reel", amount=light.reels, why="backlight")
        yield Need(key="strip-supply", name=f"supply, {light.supply_w:.0f} W", amount=1, why="backlight")
        yield Need(key="strip-clips", name="strip clips", amount=light.fix_points, pack=20, why="backlight")
        yield Need(
            key="strip-connector", name="light connector", amount=1, why="the screen comes off the wall"
        )
        yield Need(key="strip-controller", name="controller for the light strip", amount=1, why="backlight")
        yield Need(
            key="strip-joints",
            name="clip connectors, wire to strip",
            amount=2,
            pack=2,
            why="both runs start there",
        )
        wire = at(feed)
        if wire is not None:
            yield Need(
                key="strip-wire",
                name=f"feed wire, {at.text(at.up(wire.length_mm))}",
                amount=1,
                why="from feed to outlet",
            )
        if wire is not None and wire.behind:
            yield Need(
                key="strip-grommet", name="grommet for the way through the wall", amount=1, why="feed wire"
            )
    strips = at(spacers)
    if isinstance(strips, SpacerStrips):
        thick = at.text(at.field(Backlight.spacer_mm))
        name = f"spacer strips, {thick} thick, {at.text(at.up(strips.whole_mm))} in all"
        yield Need(key="spacer-strips", name=name, amount=1, why="round the frame's back")
        brads = f"brads, at most {at.text(at.down(strips.brad_mm))} long"
        yield Need(
            key="brads",
            name=brads,
            amount=math.ceil(strips.whole_mm / at.default(FrameDefaults.brad_every_mm)),
            pack=100,
            why="spacer strips",
        )


def _masks(at: Ask) -> Iterator[Need]:
    holds = at.default(FrameDefaults.mask_holds)
    for number, panel in mask_panels(at):  # two of each, left and right
        name = f"black velvet for a mask panel, {velvet_text(at, panel)}"
        yield Need(key=f"mask-velvet-{number}", name=name, amount=2, why="mask panels")
        yield Need(
            key="mask-magnets", name="magnets with steel plates", amount=2 * holds, pack=4, why="mask panels"
        )


def _hang(at: Ask) -> Iterator[Need]:
    drill_plan = at(drilling)
    if drill_plan is None:
        return
    in_the_box = any(at.of(part, BoxPart.stops) == "hang" for part in at.things(FrameBuild.parts))
    if at(timber) or not in_the_box:
        yield from filter(None, [_hangs_by(at)])
        if at(way) is Way.RODS and not at.field(Hanging.name):  # a kit's own hang parts bring theirs
            count = at(hang_parts)
            yield Need(key="rod-hooks", name="wall hooks for the rods", amount=count, pack=2, why="hanging")
            yield Need(key="rod-eyes", name="eyes for the frame's top", amount=count, pack=2, why="hanging")
    lower = sum(1 for hole in drill_plan.holes if hole.row == "lower")
    screws = at.field(Hanging.screws) or at(bought_fixing)
    if not at(cleat_stands):
        yield Need(key="wall-fixings", name=screws, amount=at(fixings_top) + lower, pack=4, why="hanging")
    into_frame = at(frame_screws)
    if into_frame is not None:
        longest = at.text(at.down(into_frame.longest_mm))
        name = f"screws, ledger into frame, at most {longest} long"
        yield Need(
            key="ledger-screws", name=name, amount=len(LEDGER_ROWS) * into_frame.count, pack=50, why="ledger"
        )
    for thick, count in at(pack).items():
        yield Need(
            key=f"wall-shims-{thick:g}", name=f"shims, {at.text(thick)}", amount=count, pack=10, why="hanging"
        )
    behind = at(pads)
    if behind is not None:
        sizes = dict.fromkeys((at.text(behind.left_mm), at.text(behind.right_mm)))
        name = f"{BEHIND[at(bottom)]}, {' and '.join(sizes)} thick"
        pair = at(bottom) != "cleat"
        yield Need(key="wall-pads", name=name, amount=2 if pair else 1, pack=2 if pair else 1, why="hanging")


BEHIND = {
    "pads": "pads for the bottom corners",
    "strips": "hook-and-loop strips for the bottom corners",
    "screws": "adjustable standoffs for the bottom corners",
    "cleat": "beveled cleat for the bottom, both pieces",
}


def _hangs_by(at: Ask) -> Need | None:
    """What the frame hangs by: by its own name, else by the way of hanging."""
    own, hung_by = at.field(Hanging.name), at(way)
    place = at(cleat_place) if hung_by is Way.CLEAT else None
    if place is not None:
        wide, name = place.right_mm - place.left_mm, own or "beveled cleat, both pieces"
        if at(cleat_stands):
            return Need(
                key="brackets",
                name=f"{own or 'beveled cleat'}, frame piece, {at.text(at.field(Hanging.cleat_board_mm))} board",
                amount=1,
                why="hanging",
            )
        long = f"{name}, wall piece {at.text(wide)}, {at.text(at.field(Hanging.cleat_board_mm))} board"
        return Need(key="brackets", name=long, amount=1, why="hanging")
    if hung_by is Way.LEDGER and not own and at(ledger_parts):
        return None  # its boards are in the list
    if own or hung_by in (Way.CLEAT, Way.LEDGER):
        return Need(key="brackets", name=own or KINDS[hung_by].name, amount=1, why="hanging")
    named = {Way.RODS: "hanging rods with turnbuckles", Way.WIRE: "hooks for the wire"}
    return Need(
        key="brackets", name=named.get(hung_by, "wall brackets"), amount=at(hang_parts), pack=2, why="hanging"
    )


def _always() -> Iterator[Need]:
    yield Need(key="gloves", name="clean cotton gloves, pairs", amount=2, why="the fabric's face")
    yield Need(key="floor-sheet", name="clean floor sheet", amount=1, why="laying out")
