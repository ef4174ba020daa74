"""Where the work can hurt someone or ruin the fabric: short, at its station, before the action."""

from dataclasses import dataclass

LOCAL_RULES = "Gantline computes guidance. Local codes, the makers' leaflets and licensed trades come first."


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution: the station it belongs to, a word to name it, the sentence to read."""

    key: str
    station: str
    name: str
    text: str


DRILLING = Caution(
    "drilling", "wall", "Drilling",
    "Cable and pipe may run straight above, below and beside every outlet, switch and valve. Use a detector, "
    "switch the circuit off if unsure, stop at the first odd resistance. Old walls may hold asbestos or lead "
    "paint: test, don't drill.",
)  # fmt: skip
LADDERS = Caution(
    "ladders", "wall", "Ladders", "Two hands for the screen means no hand for the ladder: two platforms, not two ladders."
)
LIFTING = Caution(
    "lifting", "wall", "Lifting",
    "Two people, gloves, a planned path, doors shut. Nobody under it until every latch has clicked; pull-test each.",
)  # fmt: skip
SPRINGS = Caution("springs", "tension", "Springs", "Eye protection, and a hook tool instead of fingers: springs fly.")
STAPLES = Caution(
    "staples", "tension", "Stapler",
    "Eye and ear protection. Legs at least 3 mm shorter than the board is thick; never a staple in the viewable area.",
)  # fmt: skip
FABRIC = Caution(
    "fabric", "tension", "Fabric",
    "Face down on a clean covered floor, clean gloves, nothing laid on it, never folded, never turned without support.",
)  # fmt: skip
OVERHEAD = Caution(
    "overhead", "throw", "Projector overhead",
    "Into a joist, a beam or blocking, never board; a rated mount and a safety wire. Mains work is a licensed trade's.",
)  # fmt: skip
LIGHT = Caution(
    "light", "throw", "Light",
    "Never look into a running lens. At a child's eye height: switch it off while anyone works at the wall.",
)  # fmt: skip


def cautions_for(
    *,
    overall_width_mm: float,
    two_people_width_mm: float,
    lens_y_mm: float | None,
    overhead_mm: float,
    springs: bool,
    staples: bool,
) -> tuple[Caution, ...]:
    """The cautions this job needs, in the order of the day. Lengths [mm]; lens_y_mm None without a lens.

    Lifting is needed for any stretched screen; its sentence is the same above and below
    two_people_width_mm, the name then says why. A lens above overhead_mm counts as overhead.
    """
    lifting = LIFTING
    if overall_width_mm > two_people_width_mm:
        lifting = Caution(LIFTING.key, LIFTING.station, "Lifting, wide screen", LIFTING.text)
    found = [DRILLING, LADDERS, lifting, FABRIC]
    if springs:
        found.append(SPRINGS)
    if staples:
        found.append(STAPLES)
    if lens_y_mm is not None:
        found[:0] = [LIGHT, OVERHEAD] if lens_y_mm > overhead_mm else [LIGHT]
    return tuple(found)
