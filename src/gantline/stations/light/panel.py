"""What the light's panel shows, in order and by weight."""

from gantline.job.model.light import Lighting
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart


def _seen(at: Ask) -> str:
    fabrics = {swatch.fabric for swatch in at.things(Lighting.swatches)}
    return f"{len(fabrics)} fabrics" if len(fabrics) > 1 else next(iter(fabrics), "none yet")


PANEL = (
    PanelPart(weight="lead", rows=("luminance",)),
    PanelPart(title="Light in the room", rows=("surfaces",), widget="states"),
    PanelPart(title="Fabric", rows=("light_fabric", "gain"), widget="take-fabric"),
    PanelPart(
        title="More about the fabric",
        weight="detail",
        rows=(
            "fabric_kind",
            "half_gain",
            "ambient_reflectance",
            "acoustic",
            "roll",
            "overlap",
            "film",
            "fabric_care",
        ),
    ),
    PanelPart(title="Swatches seen in the room", weight="detail", widget="swatches", gist=_seen),
    PanelPart(
        title="A dark layer behind",
        weight="detail",
        rows=("front_transmission", "back_gain", "back_transmission", "through"),
    ),
    PanelPart(
        title="Projector light",
        weight="detail",
        rows=("rated_lm", "mode_share", "age_share", "zoom_long", "own_contrast", "pixels_across"),
    ),
    PanelPart(title="Light on the picture", weight="detail", rows=("flux", "bounce")),
)
