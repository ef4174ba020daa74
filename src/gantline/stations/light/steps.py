"""Look first: swatches of the fabrics held up where the screen will hang, in every light of the room, before one is ordered."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.step import LONGEST_TEXT, Phase, Step
from gantline.job.model.light import FabricChoice, Lighting
from gantline.plan.ask import Ask
from gantline.stations.light.solve import state_names

KEY = "light"


def steps(at: Ask) -> Iterator[Step]:
    """Only while the fabric is open, or swatches were seen."""
    chain = Chain(KEY)
    if at.given(FabricChoice.name) is None or at.things(Lighting.swatches):
        lights = ", ".join(at(state_names))
        chain.add(
            Phase.LOOK,
            "swatches",
            f"Hold the swatches where the screen will hang, from the main seat: {lights}"[:LONGEST_TEXT],
            minutes=15.0,
            people=2,
            tools=("swatches", "masking tape"),
            things=(("look", "swatches"),),
            check="which is best, good, poor in each light: entered at Light",
            trouble="Shine and sparkle show from aside: look from the outer seats too.",
        )
    yield from chain
