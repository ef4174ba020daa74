"""Light on the picture, luminance, and the light states."""

import math

from gantline.core.defaults import LightDefaults
from gantline.core.light.luminance import CD_M2_PER_FOOT_LAMBERT
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import least, term
from gantline.stations.common import percent
from gantline.stations.light.solve import (
    area_m2,
    bounce,
    given_states,
    layers,
    light,
    lobe,
    on_axis_cd_m2,
    reflectance,
    room_m2,
    state,
)

FIGURES = Figures()
MOST_STATES = 6


@FIGURES.other("luminance", "Luminance on axis", "", "diffusing screen of that gain")
def luminance(at: Ask) -> Display | None:
    """What the middle of the screen shows straight on."""
    light_now, gain, value = at(light), at(lobe), at(on_axis_cd_m2)
    if light_now is None or isinstance(gain, str) or value is None:
        return None
    flux = term("light on the picture", light_now.flux_lm, " lm")
    both = term("gain", gain.gain, "")
    both = both + term("what the dark layer adds", gain.layer, "") if gain.layer else both
    luminance = flux * both / (math.pi * term("area", at(area_m2), " m²"))
    return Display(value, luminance, luminance_text(value))


@FIGURES.other("flux", "Light on the picture", "", "light after all losses")
def flux(at: Ask) -> Display | None:
    """Lumens that reach the picture."""
    light_now = at(light)
    if light_now is None:
        return None
    output = light_now.output
    output_lm = term("rated output", output.rated_lm, " lm") * term("picture mode", output.mode_share, "")
    output_lm = output_lm * term("aging", output.age_share, "") * term("zoom", light_now.zoom, "")
    return Display(
        light_now.flux_lm,
        output_lm * term("share of the panel", light_now.panel, ""),
        f"{light_now.flux_lm:.0f} lm",
    )


@FIGURES.other("bounce", "Light reflected by the room", "", "estimate: the room as an even sphere")
def reflected(at: Ask) -> Display | None:
    """Picture's own light that comes back."""
    light_now, gain, back = at(light), at(lobe), at(bounce)
    if light_now is None or isinstance(gain, str) or back is None:
        return None
    rho = term("room reflectance", at(reflectance), "")
    level = term("mean level", at.default(LightDefaults.mean_level), "")
    flux = (
        level
        * term("light on the picture", light_now.flux_lm, " lm")
        * least(1.0, term("gain", gain.on_axis, ""))
    )
    bounced = flux * rho / (term("room surfaces", at(room_m2), " m²") * (1.0 - rho))
    return Display(back, bounced, f"{back:.1f} lux")


@FIGURES.other(
    "through", "Light through both layers", "", "share through the front times share through the back"
)
def through(at: Ask) -> Display | None:
    """What reaches the wall or the loudspeakers behind."""
    both = at(layers)
    if isinstance(both, str) or not both.front_through:
        return None
    front = term("through the front layer", both.front_through, "")
    made = front * term("through the dark layer", both.behind_through, "")
    return Display(both.lost, made, percent(both.lost))


def _state(index: int) -> None:
    @FIGURES.other(
        f"lux_{index}", "Light state", "lux", "point sources without shades, the room as an even sphere"
    )
    def lux(at: Ask) -> Display | None:
        """Light on the screen in one state."""
        if index >= len(given_states(at)):
            return None
        light_state = at(state, index)
        how = (
            f"dark room, each lamp's direct light, what the room sends back: {light_state.how}"
            if light_state.how
            else "usual"
        )
        return Display(
            light_state.lux, text=f"{light_state.lux:.3g} lux", how=how, label=f"Light, {light_state.name}"
        )


for number in range(MOST_STATES):
    _state(number)


def luminance_text(value: float) -> str:
    """In both units."""
    return f"{value:.0f} cd/m², {value / CD_M2_PER_FOOT_LAMBERT:.0f} fL"


def gist(at: Ask) -> str:
    """Luminance on axis."""
    luminances = at(luminance)
    return "no lumens yet" if luminances is None else luminances.text
