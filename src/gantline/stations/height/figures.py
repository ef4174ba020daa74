"""The frame's place on the wall, its interval, and the slack to every bound."""

from gantline.core.height.place import Bound, Place, WishKind
from gantline.job.model.height import HeightTarget as H
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, least, most, size, term
from gantline.stations.height.limits import high_limit, low_limit, of_kind, place
from gantline.stations.height.solve import placement, target_kind, target_mm, target_top_mm
from gantline.stations.height.standing import centre_x_mm
from gantline.stations.survey import room, wall_mm

FIGURES = Figures()
SOURCE = "bounds on the frame's top, the target held between them"
LABELS = {
    WishKind.EYE_LINE: "Eye line above floor",
    WishKind.FRAME_TOP: "Top of frame above floor",
    WishKind.FRAME_BOTTOM: "Bottom of frame above floor",
    WishKind.CEILING_GAP: "Gap to ceiling",
    WishKind.ABOVE_CABINET: "Upper holes above the cabinet",
}
FROM_ABOVE = ("ceiling", "lift-on", "soffit", "neck", "shift-upper")
SLACKS = (
    ("ceiling", "ceiling gap"),
    ("lift-on", "lift-on clearance"),
    ("soffit", "soffit"),
    ("neck", "neck angle"),
    ("lowest-edge", "lowest allowed edge"),
    ("rows", "view past the heads in front"),
    ("furniture", "furniture below"),
    ("skirting", "baseboard"),
    ("shift-upper", "upper end of the lens shift"),
    ("shift-lower", "lower end of the lens shift"),
)


@FIGURES.length("centre_x", "Screen center from left", "the middle unless it is set", H.centre_x_mm)
def center(at: Ask) -> Display:
    """Center line of the screen."""
    value = at(centre_x_mm)
    given = at.given(H.centre_x_mm) is not None
    return Display(value, None if given else term("wall width", at(wall_mm)) / 2.0)


@FIGURES.length("wish_value", "Target", "usual", H.wish_mm)
def target(at: Ask) -> Display:
    """What the height is taken from, named by its kind."""
    label = LABELS[at(target_kind)]
    return Display(at(target_mm), label=label, how="usual; nothing entered")


@FIGURES.other("eye_share", "Eye line, up the picture", "", "usual", H.eye_share)
def eye_share(at: Ask) -> Display | None:
    """Only where the height is taken from the eye line."""
    return Display(at.field(H.eye_share)) if at(target_kind) is WishKind.EYE_LINE else None


@FIGURES.length("top_highest", "Frame top, highest", SOURCE)
def highest(at: Ask) -> Display:
    """The lowest of the bounds from above."""
    high = at(high_limit)
    return Display(high.y_top_mm, _bound(at, high), how=f"bound by the {high.name}")


@FIGURES.length("top_lowest", "Frame top, lowest", SOURCE)
def lowest(at: Ask) -> Display:
    """The highest of the bounds from below."""
    low = at(low_limit)
    return Display(low.y_top_mm, _bound(at, low), how=f"bound by the {low.name}")


@FIGURES.length("frame_top", "Top of frame above floor", SOURCE)
def frame_top(at: Ask) -> Display | None:
    """The target, held between the bounds."""
    hung = at(placement)
    if not hung.possible:
        return None
    low, high = term("lowest top", hung.height.low.y_top_mm), term("highest top", hung.height.high.y_top_mm)
    return Display(hung.top_mm, most(low, least(high, term("target", at(target_top_mm)))), how=_limit(at))


@FIGURES.length("frame_bottom", "Bottom of frame above floor", "definition")
def frame_bottom(at: Ask) -> Display | None:
    """The frame's lower edge."""
    hung = at(placement)
    if not hung.possible:
        return None
    high = hung.place.screen.overall_height_mm
    return Display(hung.top_mm - high, term("frame top", hung.top_mm) - term("overall height", high))


@FIGURES.length("bottom_from_datum", "Bottom of frame from datum", "one datum, each mark rounded alone")
def bottom_from_datum(at: Ask) -> Display | None:
    """The frame's lower edge as a crew finds it: from the line that is on the wall."""
    hung = at(placement)
    if not hung.possible:
        return None
    bottom = term("frame bottom", hung.top_mm - hung.place.screen.overall_height_mm)
    total = bottom - term("datum line", at(room).datum_mm)
    way = "above" if total.value >= 0.0 else "below"
    return Display(
        abs(total.value), total if total.value >= 0.0 else size(total), label=f"Bottom of frame {way} datum"
    )


@FIGURES.length("picture_centre", "Picture center above floor", "definition; seats and lens use this center")
def picture_centre(at: Ask) -> Display | None:
    """The middle of the viewable area."""
    hung = at(placement)
    if not hung.possible:
        return None
    screen = hung.place.screen
    total = term("frame top", hung.top_mm) - term("top border", screen.border.top_mm)
    return Display(hung.picture_centre_mm, total - term("height", screen.picture.height_mm) / 2.0)


@FIGURES.other("binds", "Held by", "", SOURCE)
def binds(at: Ask) -> Display | None:
    """The bound that moved the target, or the target itself."""
    hung = at(placement)
    if not hung.possible:
        return None
    text = _limit(at)
    return Display(text, text=text, how="the bound that moved the target, or the target itself")


def _slack(key: str, name: str) -> None:
    @FIGURES.length(f"slack_{key.replace('-', '_')}", f"Slack to {name}", SOURCE)
    def slack(at: Ask) -> Display | None:
        """How far the frame could still go before this bound stops it."""
        hung, kind = at(placement), at(of_kind, key)
        if not hung.possible or kind is None:
            return None
        bound, top = term("bound", kind.y_top_mm), term("frame top", hung.top_mm)
        made = bound - top if key in FROM_ABOVE else top - bound
        return Display(made.value, made)


for slack in SLACKS:
    _slack(*slack)


def _limit(at: Ask) -> str:
    solved = at(placement).height
    names = {one.key: one.name for one in (solved.low, solved.high)}
    return "your height; no limit reached" if solved.binds == "wish" else f"the {names[solved.binds]}"


def _bound(at: Ask, bound: Bound) -> Expr:
    here: Place = at(place)
    high = term("overall height", here.screen.overall_height_mm)
    match bound.key:
        case "ceiling" | "lift-on":
            over = here.ceiling.lowest(here.left_mm, here.right_mm)
            gaps = most(term("ceiling gap", here.ceiling_gap_mm), term("lift-on clearance", here.lift_on_mm))
            return term("lowest ceiling over the frame", over) - gaps
        case "lowest-edge":
            return term("lowest allowed edge", here.lowest_edge_mm) + high
        case "skirting":
            return term("baseboard", at.field(H.skirting_mm)) + high
        case _:
            return term(bound.name, bound.y_top_mm)


def gist(at: Ask) -> str:
    """The frame's top."""
    hung = at(placement)
    return f"top {at.text(hung.top_mm)}" if hung.possible else "nothing fits"
