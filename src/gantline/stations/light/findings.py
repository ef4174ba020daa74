"""What stands against the light: fabric, brightness, evenness."""

from collections.abc import Iterator

from gantline.core.defaults import LightDefaults
from gantline.core.light.fabric import apart_deg
from gantline.core.light.lobe import FabricKind, acceptance
from gantline.core.light.luminance import luminance_cd_m2
from gantline.job.field import field_of
from gantline.job.model.light import FabricChoice, Lighting
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Change, Cure, Finding, cure, found, noted
from gantline.stations.common import percent
from gantline.stations.height import placement
from gantline.stations.light.solve import (
    POINTS,
    eyes_of,
    given_states,
    light_model,
    lobe,
    output,
    seen,
    states,
)
from gantline.stations.survey import main_seat, seats
from gantline.stations.throw import lens_place

DARK_LUX = 5.0  # darker than this a bright picture strains the eyes
HALF = 0.5  # of the light straight on, where the cone of a fabric ends
SEES_HALF = 90.0  # a constant gain has no half-gain angle


class Code(Coded):
    """Every finding of this station."""

    FABRIC_IMPOSSIBLE = "fabric-impossible", "no such fabric"
    NO_LUMENS = "no-lumens", "light output unknown"
    NO_BEAM = "no-beam", "no projector light"
    NO_SEATS = "no-seats", "no seats"
    PICTURE_DARK = "picture-dark", "picture too dark"
    HOT_SPOT = "hot-spot", "hot spot"
    TOO_BRIGHT = "too-bright", "picture too bright"
    LENTICULAR = "lenticular-wrong-light", "light from wrong side"
    RETRO = "retro-far-from-heads", "retro fabric, wrong place"
    OUTSIDE_CONE = "seats-outside-cone", "seats outside the cone"
    GRILLE = "grille-behind-fabric", "loudspeaker behind fabric"
    LAMP_GONE = "lamp-gone", "a lamp is gone"


GAIN = field_of(FabricChoice.gain).pointer
KIND = field_of(FabricChoice.kind).pointer
DIFFUSE = (cure("Plan with a diffuse fabric", (FabricChoice.kind, FabricKind.DIFFUSE.value)),)


@found
def missing(at: Ask) -> Iterator[Finding]:
    """What is needed before there is any light."""
    gain = at(lobe)
    if isinstance(gain, str):
        text = f"Check the data sheet: {gain}."
        plain = (cure("Plan with a gain of 1 until the sheet is read", (FabricChoice.gain, 1.0)),)
        yield Finding(code=Code.FABRIC_IMPOSSIBLE, severity="stop", text=text, subject=GAIN, cures=plain)
    if at(output) is None:
        text = "Enter the projector's light output to see how bright the picture is."
        yield Finding(
            code=Code.NO_LUMENS, severity="note", text=text, subject=field_of(Lighting.rated_lm).pointer
        )
    elif at(lens_place) is None:
        text = "Luminance needs the throw ratio and the lens's place. Enter both at Throw."
        yield Finding(code=Code.NO_BEAM, severity="note", text=text)
    elif not at(seats):
        text = "Add seats to see brightness and contrast where people sit."
        subject = field_of(Survey.seats).pointer
        yield Finding(code=Code.NO_SEATS, severity="note", text=text, subject=subject)


@noted
def lamps(at: Ask) -> Iterator[Finding]:
    """A light state that is lit by a lamp nobody has surveyed."""
    known = {lamp.id for lamp in at.things(Survey.lamps)}
    base = field_of(Lighting.states).pointer
    for state in given_states(at):
        gone = [key for key in state.lamps if key not in known]
        if gone:
            pointer = f"{base}/{state.id}/lamps"
            left = [key for key in state.lamps if key in known]
            off = Cure(text="Take it off the list", changes=(Change(pointer=pointer, value=left),))
            text = f"{state.name} uses a lamp that was removed from the survey. Choose another."
            yield Finding(code=Code.LAMP_GONE, severity="note", text=text, subject=pointer, cures=(off,))


@found
def bright(at: Ask) -> Iterator[Finding]:
    """Too little, too uneven, too much light at the seats."""
    light, lead = at(seen), at(main_seat)
    if light is None or lead is None:
        return
    row = light.luminance[at(seats).index(lead)]
    brightest, even_least = float(row.max()), at.default(LightDefaults.hot_spot)
    if brightest <= 0.0:
        text = "The main seat sees no picture on this fabric."
        yield Finding(code=Code.PICTURE_DARK, severity="stop", text=text, subject=KIND, cures=DIFFUSE)
        return
    even = float(row.min()) / brightest
    if even < even_least:
        text = (
            f"At the main seat the darkest edge has {percent(even)} of the brightest point. Below {percent(even_least)} "
            "a hot spot shows."
        )
        yield Finding(
            code=Code.HOT_SPOT, severity="check", text=text, subject=GAIN, numbers={"uniformity": even}
        )
    most = float(light.luminance[:, 0].max())
    limits = (
        (DARK_LUX, at.default(LightDefaults.too_bright_cd_m2)),
        (at.default(LightDefaults.lux_curtained), at.default(LightDefaults.too_bright_lamp_cd_m2)),
    )
    for state in sorted(at(states), key=lambda state: state.lux):
        limit = next((limit for lux, limit in limits if state.lux < lux), None)
        if limit is None or most <= limit:
            continue
        text = f"{most:.0f} cd/m² is too bright for “{state.name}” ({limit:g} at most). Use a darker picture mode then."
        subject = field_of(Lighting.mode_share).pointer
        numbers = {"luminance": most}
        yield Finding(code=Code.TOO_BRIGHT, severity="check", text=text, subject=subject, numbers=numbers)
        return  # the darkest says it for all


@noted
def cone(at: Ask) -> Iterator[Finding]:
    """Seats that see less than half of what the fabric gives straight on."""
    light, model = at(seen), at(light_model)
    if light is None or model is None or model.lobe.half_gain_deg is None:
        return
    taken = float(acceptance(model.lobe.kind, model.points[:1], model.lens)[0])
    full = float(luminance_cd_m2(model.flux_lm, model.area_m2, model.lobe.on_axis)) * taken
    if full <= 0.0:
        return
    low = [
        (one.name, float(value) / full)
        for one, value in zip(at(seats), light.luminance[:, 0], strict=True)
        if float(value) < HALF * full
    ]
    if low:
        said = "; ".join(f"{name} {percent(share)}" for name, share in low)
        text = f"Outside the fabric's cone, of the light straight on: {said}. Less than half is seen as dark."
        numbers = {"least": min(share for _, share in low)}
        yield Finding(code=Code.OUTSIDE_CONE, severity="check", text=text, subject=KIND, numbers=numbers)


@found
def fabric(at: Ask) -> Iterator[Finding]:
    """Light that comes from where this fabric does not take it, or goes where nobody sits."""
    model, lead = at(light_model), at(main_seat)
    if model is None:
        return
    if model.lobe.kind is FabricKind.LENTICULAR:
        taken = acceptance(model.lobe.kind, model.points, model.lens)
        dark = [name for name, share in zip(POINTS, taken, strict=True) if share < 1.0]
        if dark:
            text = (
                f"A lenticular fabric takes light steeply from below. From this lens the {', '.join(dark)} of the screen "
                f"{'stays' if len(dark) == 1 else 'stay'} darker. Use a cabinet-top projector, or another fabric."
            )
            yield Finding(code=Code.LENTICULAR, severity="stop", text=text, subject=KIND, cures=DIFFUSE)
    if model.lobe.kind is FabricKind.RETRO and lead is not None:
        apart = apart_deg(model.points[0], model.lens, eyes_of((lead,))[0])
        limit = model.lobe.half_gain_deg or SEES_HALF
        if apart > limit:
            text = (
                f"A retro-reflective fabric sends the light back to the projector. The main seat is {apart:.0f}° from it, "
                f"past the half-gain angle of {limit:g}°, and sees less than half."
            )
            numbers = {"apart_deg": apart}
            yield Finding(
                code=Code.RETRO, severity="stop", text=text, subject=KIND, numbers=numbers, cures=DIFFUSE
            )


@noted
def behind(at: Ask) -> Iterator[Finding]:
    """A return-air grille behind an acoustically open fabric."""
    if not at.field(FabricChoice.acoustic):
        return
    hung = at(placement)
    for fitting in at.things(Survey.fittings):
        if fitting.kind != "return-air":
            continue
        size = {"bottom_mm": fitting.y_mm, "width_mm": fitting.width_mm, "height_mm": fitting.height_mm}
        if hung.place.covers(hung.top_mm, left_mm=fitting.x_mm, **size):
            text = (
                "Return-air grille behind an acoustic fabric: the air will leave dirt stripes. Move the grille, or wash the "
                "fabric once a year and vacuum it softly in between."
            )
            subject = f"{field_of(Survey.fittings).pointer}/{fitting.id}"
            yield Finding(code=Code.GRILLE, severity="check", text=text, subject=subject)


FINDINGS = (missing, lamps, bright, cone, fabric, behind)
