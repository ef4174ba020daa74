"""Aligning as one value."""

from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, PanelPart, Station, Table, fields_of
from gantline.stations.align.figures import FIGURES, gist, price_words
from gantline.stations.align.findings import FINDINGS
from gantline.stations.align.finish import memory_table
from gantline.stations.align.finish_figures import FINISH, finish_gist
from gantline.stations.align.marks import DRAW
from gantline.stations.align.measured import measured_table
from gantline.stations.align.solve import digital_share, done
from gantline.stations.align.steps import steps
from gantline.stations.align.tables import align_table
from gantline.stations.common import CABINET, from_afar, mount_kind

LIGHT = Caution(
    key="lens-light",
    name="Light",
    text="Do not look into the lens. Cover it or switch its light off while anyone works at the wall in front of it.",
)


def cautions(_: Ask) -> tuple[Caution, ...]:
    """The light."""
    return (LIGHT,)


def on_cabinet(at: Ask) -> bool:
    """Whether the projector stands right at the wall, where its place is its lens."""
    return at(mount_kind) == CABINET


def moves_there(at: Ask) -> bool:
    """Whether there are moves to list."""
    return bool(at(align_table).moves)


def has_memories(at: Ask) -> bool:
    """Whether more than one aspect ratio is shown from a lens that is placed."""
    return at(memory_table) is not None


def memory_gist(at: Ask) -> str:
    """How many, for what."""
    table = at(memory_table)
    return (
        "none"
        if table is None
        else ", ".join(f"{row.number}: {' and '.join(row.aspects)}" for row in table.rows)
    )


def measured_gist(at: Ask) -> str:
    """How many of the five points."""
    table = at(measured_table)
    return (
        "nothing measured"
        if table is None
        else f"{sum(bool(row.measured) for row in table.rows)} of 5 points"
    )


def begun(at: Ask) -> bool:
    """Whether it is done."""
    return at(done)


def _digital(at: Ask) -> str:
    share = at(digital_share)
    return "not needed" if share is None or at(done) else price_words(share)


def _cast(_: Ask) -> str:
    return "corner marks, focus and wall marks, on the projector itself"


PANEL = (
    PanelPart(weight="lead", rows=("corner_worst", "corner_within")),
    PanelPart(widget="align"),
    PanelPart(title="Cast", weight="detail", widget="cast", gist=_cast),
    PanelPart(title="Projector", weight="detail", widget="projector", gist=from_afar),
    PanelPart(
        title="The pose behind it",
        weight="detail",
        rows=(
            "align_yaw",
            "align_pitch",
            "align_roll",
            "align_ratio",
            "align_shift_h",
            "align_shift_v",
            "corner_misfit",
            "corner_sigma",
        ),
        gist=gist,
    ),
    PanelPart(
        title="Left to the projector",
        weight="detail",
        rows=("digital_price", "corner_wanted", "shift_turn"),
        gist=_digital,
    ),
    PanelPart(
        title="What a millimeter does",
        weight="detail",
        rows=("per_mm_top", "per_mm_bottom", "per_mm_width"),
        when=on_cabinet,
    ),
    PanelPart(
        title="Focus and blanking",
        weight="detail",
        rows=("blank_left", "blank_right", "blank_top", "blank_bottom", "focus_depth", "focus_off"),
        widget="focus",
        gist=finish_gist,
    ),
    PanelPart(title="Lens memories", weight="detail", widget="memories", when=has_memories, gist=memory_gist),
    PanelPart(
        title="Light, measured",
        rows=(
            "measured_center",
            "measured_tl",
            "measured_tr",
            "measured_br",
            "measured_bl",
            "measured_corner",
        ),
        weight="detail",
        gist=measured_gist,
    ),
    PanelPart(widget="cautions"),
)

ALIGN = Station(
    key="align",
    shape="light",
    tall=moves_there,
    label="Align",
    says="Cast the grid, read its four corners, and make the moves in their order.",
    fields=fields_of(Aligned),
    figures=(*FIGURES, *FINISH),
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "align"), dimensions=("align",), handles=("align",)),
    tables=(
        Table(key="align", question=align_table),
        Table(key="memories", question=memory_table),
        Table(key="measured", question=measured_table),
    ),
    draw=DRAW,
    cautions=cautions,
    begun=begun,
    strip="moves",
    steps=steps,
)
