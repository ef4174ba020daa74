"""Light station: how bright and how even the picture is at every seat, in every light state."""

import math
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.light.lobe import FabricKind, Lobe, acceptance, seen_gain
from gantline.core.light.luminance import (
    CD_M2_PER_FOOT_LAMBERT,
    Array,
    Output,
    ambient_cd_m2,
    bounce_lux,
    contrast_band,
    flux_lm,
    luminance_cd_m2,
    panel_share,
    seen_contrast,
    zoom_share,
)
from gantline.core.tension.holds import Hold
from gantline.plan.book import Book
from gantline.plan.height import Hung
from gantline.plan.light_states import light_states, room_area_m2
from gantline.plan.seats_at import Placed, main_seat
from gantline.plan.survey import Room
from gantline.plan.throw import Beam

KINDS = (
    (FabricKind.DIFFUSE, "diffuse"),
    (FabricKind.MIRROR, "mirror-like"),
    (FabricKind.RETRO, "retro-reflective"),
    (FabricKind.LENTICULAR, "lenticular, from below"),
)
SURFACES = (("white", "white"), ("mid", "middling"), ("dark", "dark"), ("velvet", "velvet"))
POINTS = ("centre", "left", "right", "top", "bottom")
LEFT_EDGE, RIGHT_EDGE = 1, 2


@dataclass(frozen=True, slots=True, kw_only=True)
class LightModel:
    """Everything luminance is computed from. points (5, 3), lens (3,) [mm, z from the fabric]."""

    lobe: Lobe
    points: Array
    lens: Array
    flux_lm: float
    area_m2: float
    ambient_reflectance: float
    own_contrast: float
    bounce_lux: float
    states: tuple[tuple[str, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatLight:
    """One seat's light: luminance at the centre and at POINTS, gain at the far edge, evenness, contrast per state."""

    index: int
    name: str
    main: bool
    luminance: str
    foot_lamberts: str
    points: tuple[str, ...]
    far_gain: str
    evenness: str
    contrasts: tuple[str, ...]
    bands: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Lit:
    """The model and the table of seats; empty where something is missing."""

    model: LightModel | None
    rows: tuple[SeatLight, ...]
    states: tuple[str, ...]


def light(book: Book, room: Room, hung: Hung, beam: Beam | None, seats: tuple[Placed, ...]) -> Lit:
    """Write the light station; luminance needs a fabric that can be, a projector in place and its lumens."""
    states = light_states(book, room, hung)
    lobe, reflectance = _fabric(book)
    output = _output(book)
    names = tuple(name for name, _ in states)
    if lobe is None or output is None or beam is None:
        if output is None:
            book.find("no-lumens", "light", "note", "Enter the projector's light output to see how bright the picture is.")
        elif beam is None:
            book.find("no-beam", "light", "note", "Luminance needs the projector's throw ratio and its lens's place: see Throw.")
        return Lit(model=None, rows=(), states=names)
    model = _model(book, room, hung, beam, lobe, reflectance, output, states)
    rows = _rows(book, model, seats)
    _check_fabric(book, hung, model, seats)
    return Lit(model=model, rows=rows, states=names)


def seat_light(model: LightModel, eyes: Array) -> tuple[Array, Array]:
    """Luminance (e, p) [cd/m2] of the model's points at eyes (e, 3), and contrast at the centre (e, states)."""
    seen = luminance_cd_m2(model.flux_lm, model.area_m2, seen_gain(model.lobe, model.points, model.lens, eyes))
    lux = np.array([value for _, value in model.states]) + model.bounce_lux
    ambient = ambient_cd_m2(lux, model.ambient_reflectance)
    return seen, seen_contrast(seen[:, :1], ambient[None, :], model.own_contrast)


def eyes_of(seats: tuple[Placed, ...]) -> Array:
    """(e, 3) eyes in wall axes, z from the fabric [mm]."""
    return np.array([[seat.x_mm, seat.eye_mm, seat.distance_mm] for seat in seats], dtype=float).reshape(-1, 3)


def screen_points(hung: Hung) -> Array:
    """Centre and the four edge middles of the viewable area (5, 3), in the order of POINTS."""
    picture, x, y = hung.place.screen.picture, hung.place.centre_x_mm, hung.picture_centre_mm
    half_w, half_h = picture.width_mm / 2.0, picture.height_mm / 2.0
    places = [(x, y), (x - half_w, y), (x + half_w, y), (x, y + half_h), (x, y - half_h)]
    return np.array([(a, b, 0.0) for a, b in places])


def _fabric(book: Book) -> tuple[Lobe | None, float]:
    given = book.job.light.fabric
    book.entered("light_fabric", "light", "Fabric", "/light/fabric/name", given.name, given.name, "text")
    book.entered(
        "fabric_kind", "light", "Fabric kind", "/light/fabric/kind", given.kind, dict(KINDS)[given.kind], "choice", KINDS
    )
    gain = _number(book, "gain", "Gain on its axis", "/light/fabric/gain", given.gain, "gain", "{:g}")
    angle = given.half_gain_deg
    if angle is None:
        book.blank("half_gain", "light", "Half-gain angle", "/light/fabric/half_gain_deg", "number")
    else:
        book.entered(
            "half_gain", "light", "Half-gain angle", "/light/fabric/half_gain_deg", angle, f"{angle:g}", "number", optional=True
        )
    reflectance = _number(book, "ambient_reflectance", "Reflectance for room light", "/light/fabric/ambient_reflectance",
        given.ambient_reflectance, "ambient_reflectance", "{:.0%}", kind="share")  # fmt: skip
    book.entered("acoustic", "light", "Acoustically open", "/light/fabric/acoustic", given.acoustic,
        "yes" if given.acoustic else "no", "switch")  # fmt: skip
    try:
        return Lobe(kind=given.kind, gain=gain, half_gain_deg=angle), reflectance
    except OutOfRange as error:
        book.find("fabric-impossible", "light", "stop", f"This fabric cannot be: {error}.")
        return None, reflectance


def _output(book: Book) -> Output | None:
    given = book.job.light
    if given.rated_lm is None:
        book.blank("rated_lm", "light", "Light output, rated", "/light/rated_lm", "number")
    else:
        book.entered(
            "rated_lm",
            "light",
            "Light output, rated",
            "/light/rated_lm",
            given.rated_lm,
            f"{given.rated_lm:g} lm",
            "number",
            optional=True,
        )
    mode = _number(
        book, "mode_share", "Left by picture mode", "/light/mode_share", given.mode_share, "mode_share", "{:.0%}", kind="share"
    )
    age = _number(book, "age_share", "Left with age", "/light/age_share", given.age_share, "age_share", "{:.0%}", kind="share")
    zoom = _number(
        book,
        "zoom_long",
        "Left at long zoom",
        "/light/zoom_long_share",
        given.zoom_long_share,
        "zoom_long_share",
        "{:.0%}",
        kind="share",
    )
    contrast = _number(book, "own_contrast", "Projector's contrast", "/light/contrast", given.contrast, "contrast", "{:g}")
    _number(book, "pixels_across", "Pixels across", "/light/pixels_across", given.pixels_across, "pixels_across", "{:g}")
    book.entered(
        "surfaces",
        "light",
        "Walls and ceiling",
        "/light/surfaces",
        given.surfaces,
        dict(SURFACES)[given.surfaces],
        "choice",
        SURFACES,
    )
    if given.rated_lm is None or not min(mode, age, zoom) > 0.0:
        return None
    return Output(rated_lm=given.rated_lm, mode_share=mode, age_share=age, zoom_long_share=zoom, contrast=contrast)


def _number(
    book: Book, key: str, label: str, pointer: str, value: float | None, default: str, shown: str, kind: str = "number"
) -> float:
    used = book.shop[default] if value is None else float(value)
    text = shown.format(used).replace("%", " %")
    book.entered(key, "light", label, pointer, value, text, kind, optional=True, known="assumed" if value is None else None)  # type: ignore[arg-type]
    return used


def _model(
    book: Book,
    room: Room,
    hung: Hung,
    beam: Beam,
    lobe: Lobe,
    reflectance: float,
    output: Output,
    states: tuple[tuple[str, float], ...],
) -> LightModel:
    given, picture = book.job.throw, hung.place.screen.picture
    low, high = float(given.ratio_low or 1.0), float(given.ratio_high or 1.0)
    zoom = zoom_share(beam.distance_mm / beam.panel.width_mm, low, high, output.zoom_long_share)
    panel = panel_share(picture.width_mm / picture.height_mm, beam.panel.width_mm / beam.panel.height_mm)
    if beam.turned is not None:
        zoom, panel = zoom_share(beam.turned.pose.ratio, low, high, output.zoom_long_share), beam.turned.share
    flux = flux_lm(output, zoom=zoom, panel=panel)
    area = picture.width_mm * picture.height_mm / 1e6
    keys = ["rated_lm", "mode_share", "age_share", "zoom_long", "width", "height"]
    book.ratio("flux", "light", "Light on the picture", flux, f"{flux:.0f} lm", "rated × mode × age × zoom × panel share",
        f"{output.rated_lm:g} × {output.mode_share:g} × {output.age_share:g} × {zoom:.3f} × {panel:.3f}",
        keys, "product of what is left")  # fmt: skip
    on_axis = float(luminance_cd_m2(flux, area, lobe.gain))
    book.ratio("luminance", "light", "Luminance on the axis", on_axis, _luminance_text(on_axis), "light × gain / (π × area)",
        f"{flux:.0f} × {lobe.gain:g} / (π × {area:.2f} m²)", [*keys, "gain"], "lambertian screen of that gain")  # fmt: skip
    mean = book.shop[f"reflect_{book.job.light.surfaces}"]
    room_m2 = room_area_m2(book, room)
    bounce = bounce_lux(
        flux, mean_level=book.shop["mean_level"], screen_reflectance=lobe.gain, room_m2=room_m2, room_reflectance=mean
    )
    book.ratio("bounce", "light", "Picture's own light back", bounce, f"{bounce:.1f} lux", "mean level × light × gain × ρ / (room area × (1 − ρ))",
        f"{book.shop['mean_level']:g} × {flux:.0f} × {min(lobe.gain, 1.0):g} × {mean:g} / ({room_m2:.0f} m² × {1 - mean:g})", keys,
        "estimate: the room as an even sphere")  # fmt: skip
    return LightModel(
        lobe=lobe, points=screen_points(hung), lens=np.array([beam.lens_x_mm, beam.lens_y_mm, max(beam.distance_mm, 1.0)]), flux_lm=flux,
        area_m2=area, ambient_reflectance=reflectance, own_contrast=output.contrast, bounce_lux=bounce, states=states,
    )  # fmt: skip


def _luminance_text(value: float) -> str:
    return f"{value:.0f} cd/m², {value / CD_M2_PER_FOOT_LAMBERT:.0f} fL"


def _rows(book: Book, model: LightModel, seats: tuple[Placed, ...]) -> tuple[SeatLight, ...]:
    if not seats:
        book.find("no-seats", "light", "note", "Add seats in the survey to see brightness and contrast where people sit.")
        return ()
    seen, contrast = seat_light(model, eyes_of(seats))
    one = float(luminance_cd_m2(model.flux_lm, model.area_m2, 1.0))
    middle_mm = float(model.points[0, 0])
    rows = []
    for seat, points, contrasts in zip(seats, seen.tolist(), contrast.tolist(), strict=True):
        brightest, darkest = max(points), min(points)
        far = LEFT_EDGE if seat.x_mm > middle_mm else RIGHT_EDGE
        even = f"{100 * darkest / brightest:.0f} %" if brightest > 0.0 else "unsuitable"
        rows.append(
            SeatLight(
                index=seat.index, name=seat.name, main=seat.main, luminance=f"{points[0]:.0f}",
                foot_lamberts=f"{points[0] / CD_M2_PER_FOOT_LAMBERT:.0f}", points=tuple(f"{value:.0f}" for value in points),
                far_gain=f"{points[far] / one if one > 0.0 else 0.0:.2f}", evenness=even,
                contrasts=tuple(f"{value:.0f}" if value >= 10 else f"{value:.1f}" for value in contrasts),
                bands=tuple(contrast_band(value) for value in contrasts),
            )
        )  # fmt: skip
    _find_light(book, model, seats, seen)
    return tuple(rows)


def _find_light(book: Book, model: LightModel, seats: tuple[Placed, ...], seen: Array) -> None:
    main = main_seat(seats)
    at = seats.index(main) if main else 0
    brightest = float(seen[at].max())
    if brightest <= 0.0:
        book.find("picture-dark", "light", "stop", "At the main seat this fabric shows no light at all.")
        return
    even = float(seen[at].min()) / brightest
    if even < book.shop["hot_spot"]:
        book.find("hot-spot", "light", "mind",
            f"At the main seat the darkest edge has {100 * even:.0f} % of the brightest point: a hot spot shows below "
            f"{100 * book.shop['hot_spot']:.0f} %.", {"evenness": even})  # fmt: skip
    most = float(seen[:, 0].max())
    if most > book.shop["too_bright_cd_m2"] and any(lux < 5.0 for _, lux in model.states):
        book.find("too-bright", "light", "mind",
            f"In the dark {most:.0f} cd/m² strains the eyes: {book.shop['too_bright_cd_m2']:g} is the most.", {"luminance": most})  # fmt: skip


def _check_fabric(book: Book, hung: Hung, model: LightModel, seats: tuple[Placed, ...]) -> None:
    taken = acceptance(model.lobe.kind, model.points, model.lens)
    if model.lobe.kind is FabricKind.LENTICULAR and float(taken.min()) < 1.0:
        dark = [name for name, share in zip(POINTS, taken, strict=True) if share < 1.0]
        book.find("lenticular-wrong-light", "light", "stop",
            f"A lenticular fabric takes light steeply from below. From this lens the {', '.join(dark)} of the screen stay darker: "
            "it needs a cabinet-top projector, or another fabric.")  # fmt: skip
    if model.lobe.kind is FabricKind.RETRO and seats:
        _check_retro(book, model, seats)
    _check_grille(book, hung)
    _check_roll(book, hung)


def _check_roll(book: Book, hung: Hung) -> None:
    """No seam in the viewable area: the shorter side of the blank must come off the roll."""
    roll_mm = book.job.light.fabric.roll_mm
    if roll_mm is None:
        return
    screen = hung.place.screen
    extra = 2.0 * book.shop["blank_overlap_mm"] if book.job.tension.hold is Hold.STAPLE else 0.0
    needed = min(screen.overall_width_mm, screen.overall_height_mm) + extra
    if needed > roll_mm:
        book.find("roll-too-narrow", "light", "stop",
            f"The roll is {book.text(roll_mm)} wide; a seamless sheet needs {book.text(needed)}.", {"short_mm": needed - roll_mm})  # fmt: skip


def _check_retro(book: Book, model: LightModel, seats: tuple[Placed, ...]) -> None:
    main = main_seat(seats) or seats[0]
    to_lens, to_eye = model.lens - model.points[0], eyes_of((main,))[0] - model.points[0]
    cosine = float(to_lens @ to_eye / (np.linalg.norm(to_lens) * np.linalg.norm(to_eye)))
    apart = math.degrees(math.acos(min(1.0, max(-1.0, cosine))))
    limit = model.lobe.half_gain_deg or 90.0
    if apart > limit:
        book.find("retro-far-from-heads", "light", "stop",
            f"A retro-reflective fabric sends the light back to the projector: {apart:.0f}° from it, beyond the half-gain angle of "
            f"{limit:g}°, the main seat sees less than half.", {"apart_deg": apart})  # fmt: skip


def _check_grille(book: Book, hung: Hung) -> None:
    if not book.job.light.fabric.acoustic:
        return
    for one in book.job.survey.fittings:
        if one.kind == "return-air" and hung.covers(one):
            book.find("grille-behind-fabric", "light", "stop",
                "A return-air grille behind an acoustically open fabric makes a filter of it: it soils in stripes.")  # fmt: skip
