"""Random rich jobs: seats, boxes, lamps, joists, light states, content, body, zone, turns, a signal chain."""

from typing import Any

from hypothesis import strategies as st

from gantline.job.file import read_job
from gantline.job.model import Job

FORMAT = {"lines": 2160, "rate_hz": 60.0, "depth_bits": 10, "high_range": True}


def maybe(inner: st.SearchStrategy[Any]) -> st.SearchStrategy[Any]:
    return st.none() | inner


def mm(low: float, high: float) -> st.SearchStrategy[float]:
    return st.integers(int(low * 2), int(high * 2)).map(lambda half: half / 2.0)


def items(prefix: str, most: int, **fields: st.SearchStrategy[Any]) -> st.SearchStrategy[list[Any]]:
    """Things of a list, each with an id; what is drawn as None is left out."""
    one = st.fixed_dictionaries(dict(fields))
    return st.lists(one, max_size=most).map(
        lambda found: [{"id": f"{prefix}{at}"} | bare(each) for at, each in enumerate(found, start=1)]
    )


def bare(thing: dict[str, Any]) -> dict[str, Any]:
    return {name: value for name, value in thing.items() if value is not None}


def apart(found: list[Any]) -> list[Any]:
    return list({one["x_mm"]: one for one in found}.values())


def of(**fields: st.SearchStrategy[Any]) -> st.SearchStrategy[dict[str, Any]]:
    return st.fixed_dictionaries(dict(fields)).map(bare)


survey = of(
    wall_width_mm=maybe(mm(2400, 7000)), ceiling_mm=maybe(mm(2100, 4200)), datum_mm=maybe(mm(900, 1500)),
    room_depth_mm=maybe(mm(3500, 12_000)), build=maybe(st.sampled_from(["studs", "masonry"])),
    stud_first_mm=maybe(mm(50, 500)), stud_spacing_mm=maybe(st.sampled_from([304.8, 406.4, 609.6])), stud_width_mm=maybe(mm(30, 60)),
    stud_readings=items("r", 5, x_mm=mm(0, 4000), kind=st.sampled_from(["edge", "center", "magnet", "nothing"])),
    stud_marks=items("h", 2, x_mm=mm(0, 4000), there=maybe(st.booleans())), masonry=maybe(st.sampled_from(["brick", "block"])),
    gaps=items("g", 6, x_mm=mm(0, 4000), y_mm=mm(100, 2400), gap_mm=mm(0, 30)), course_mm=maybe(mm(60, 250)), course_first_mm=maybe(mm(0, 200)),
    ceiling_readings=items("c", 3, x_mm=mm(0, 4000), up_mm=mm(900, 2400)).map(apart),
    floor_readings=items("f", 2, x_mm=mm(0, 4000), down_mm=mm(900, 1500)).map(apart),
    seats=items("s", 4, x_mm=mm(300, 4000), from_wall_mm=mm(2200, 6000), eye_mm=maybe(mm(950, 1250)), platform_mm=maybe(mm(0, 400))),
    boxes=items("b", 3, kind=st.sampled_from(["cabinet", "loudspeaker", "soffit", "beam", "pendant", "walkway"]), x_mm=mm(0, 3000),
        y_mm=mm(0, 2300), z_mm=maybe(mm(0, 4000)), width_mm=mm(200, 2500), height_mm=mm(100, 900), depth_mm=mm(100, 800)),
    fittings=items("w", 2, kind=st.sampled_from(["outlet", "window", "return-air"]), x_mm=mm(100, 4000), y_mm=mm(200, 2200),
        width_mm=mm(70, 900), height_mm=mm(70, 900), band_mm=maybe(mm(0, 200))),
    joists=of(runs=maybe(st.sampled_from(["to-the-wall", "along-the-wall"])), first_mm=maybe(mm(0, 400)), spacing_mm=maybe(st.sampled_from([406.4, 600.0]))),
)  # fmt: skip
size = of(
    aspect=maybe(st.sampled_from(["16:9", "2.39", "16:10", "4:3"])), lead=maybe(st.sampled_from(["diagonal", "width", "height", "angle", "wall"])),
    value_mm=maybe(mm(1500, 4200)), angle_deg=maybe(mm(25, 60)), tidy_grid_mm=maybe(st.sampled_from([5.0, 6.35, 25.4])), overspill_mm=maybe(mm(0, 10)),
    border=of(side_mm=maybe(mm(0, 90)), top_mm=maybe(mm(0, 90)), bottom_mm=maybe(mm(0, 90))),
)  # fmt: skip
throw = of(
    ratio_low=mm(1, 2).map(lambda low: low / 2 + 0.3), ratio_high=maybe(mm(2, 5)), panel_aspect=maybe(st.sampled_from(["16:9", "16:10"])),
    hung=maybe(st.booleans()), has_shift=maybe(st.booleans()), shift_up=maybe(st.sampled_from([0.1, 0.5, 0.7])), shift_down=maybe(st.sampled_from([0.1, 0.6])),
    shift_side=maybe(st.sampled_from([0.1, 0.3])), reach=maybe(st.sampled_from(["rectangle", "diamond"])), offset=maybe(st.sampled_from([0.1, 0.15])),
    lens_x_mm=maybe(mm(1200, 3600)), lens_y_mm=maybe(mm(300, 2600)), lens_from_wall_mm=maybe(mm(700, 7000)), distance_offset_mm=maybe(mm(0, 60)),
    yaw_deg=maybe(st.sampled_from([0.0, 2.0, -5.0])), pitch_deg=maybe(st.sampled_from([0.0, 3.0])), mount=maybe(st.sampled_from(["joist", "cabinet", "shelf"])),
    body=of(width_mm=maybe(mm(300, 600)), height_mm=maybe(mm(100, 250)), depth_mm=maybe(mm(250, 600)), lens_from_left_mm=maybe(mm(50, 280)),
        plate_to_axis_mm=maybe(mm(60, 250)), vent_rear_mm=maybe(mm(50, 300)), foot_spacing_mm=maybe(mm(200, 400)), foot_turn_mm=maybe(mm(1, 2))),
    zone=of(y_low_mm=maybe(mm(300, 1500)), z_high_mm=maybe(mm(3000, 8000))),
    cable_from=of(x_mm=maybe(mm(0, 3000)), y_mm=maybe(mm(0, 1500)), z_mm=maybe(mm(0, 5000))),
    signal=of(wanted=maybe(st.just(FORMAT)), links=items("k", 3, kind=st.sampled_from(["source", "cable", "receiver"]),
        carries=maybe(st.just(FORMAT | {"depth_bits": 8})), good_for_mm=maybe(mm(3000, 20_000)))),
)  # fmt: skip
light = of(
    rated_lm=maybe(mm(800, 6000)), mode_share=maybe(st.sampled_from([0.6, 0.9])), contrast=maybe(mm(500, 5000)),
    pixels_across=maybe(st.sampled_from([1920, 3840])), surfaces=maybe(st.sampled_from(["white", "dark"])),
    fabric=of(kind=maybe(st.sampled_from(["diffuse", "mirror-like", "retro-reflective", "lenticular-from-below"])), gain=maybe(st.sampled_from([0.8, 1.0, 1.3])),
        half_gain_deg=maybe(mm(20, 70)), acoustic=maybe(st.booleans()), roll_mm=maybe(mm(1200, 4000))),
)  # fmt: skip
others = {
    "content": of(shapes=items("a", 2, aspect=st.sampled_from(["2.39", "1.85", "4:3"])), lap_mm=maybe(mm(0, 30))),
    "height": of(
        centre_x_mm=maybe(mm(1200, 3600)), ceiling_gap_mm=maybe(mm(0, 300)), lowest_edge_mm=maybe(mm(300, 900)),
        wish=maybe(st.sampled_from(["eye-line", "frame-top", "frame-bottom", "ceiling-gap"])), wish_mm=maybe(mm(400, 2300)), skirting_mm=maybe(mm(0, 150)),
    ),
    "frame": of(
        depth_mm=maybe(mm(20, 60)), standoff_mm=maybe(mm(0, 40)), centre_bars=maybe(st.integers(0, 2)), build=maybe(st.sampled_from(["timber", "kit"])),
        board=maybe(st.sampled_from(["1x2", "1x4", "2x2", "2x4"])), wide_mm=maybe(mm(30, 95)), lies=maybe(st.sampled_from(["flat", "edge"])),
        material=maybe(st.sampled_from(["poplar", "aluminum"])), joint=maybe(st.sampled_from(["miter", "lap", "butt-stiles"])), trim_mm=maybe(mm(0, 40)),
        longest_mm=maybe(mm(700, 3000)), fastener_mm=maybe(mm(10, 60)), staple_mm=maybe(mm(6, 20)), braces=items("e", 3, u_mm=mm(100, 3000)),
        bought=items("b", 3, length_mm=mm(2000, 4000), crook_mm=maybe(mm(0, 5)), twist_mm=maybe(mm(0, 6))),
        mass_kg=maybe(st.sampled_from([6.0, 18.5, 60.0])),
        parts=items("p", 3, name=st.sampled_from(["springs", "bars"]), count=st.integers(1, 60), spare=maybe(st.integers(0, 5)), found=maybe(st.integers(0, 60))),
        square=of(top_mm=maybe(mm(1500, 3600)), bottom_mm=maybe(mm(1500, 3600)), left_mm=maybe(mm(800, 2100)), right_mm=maybe(mm(800, 2100)),
            rising_mm=maybe(mm(1700, 4000)), falling_mm=maybe(mm(1700, 4000))),
        blank=of(grip_mm=maybe(mm(0, 80)), back_mm=maybe(mm(10, 60)), stretch=maybe(st.sampled_from([0.02, 0.2])), along=maybe(st.sampled_from(["width", "height"])),
            turn_deg=maybe(st.sampled_from([0.0, 15.0, 90.0])), layers=maybe(st.integers(1, 3)), backing=maybe(st.booleans())),
    ),
    "trim": of(
        border=maybe(st.sampled_from(["none", "tape", "velvet", "bezel"])), wrap_mm=maybe(mm(0, 30)), corner=maybe(st.sampled_from(["miter", "wrap"])),
        roll_mm=maybe(mm(1000, 12_000)), light=of(there=maybe(st.booleans()), inset_mm=maybe(mm(10, 300)), pitch_mm=maybe(mm(25, 100)),
            watts_per_m=maybe(st.sampled_from([9.6, 60.0])), spacer_mm=maybe(mm(0, 40)), feed=maybe(st.just("right"))),
    ),
    "wall": of(
        dry=items("d", 2, left_mm=mm(-10, 10), right_mm=mm(-10, 10), gap_left_mm=maybe(mm(5, 60)), gap_right_mm=maybe(mm(5, 60))),
        shims=maybe(st.sampled_from(["plumb", "parallel"])), facts=items("f", 3, hole=st.sampled_from(["upper-left", "upper-right", "lower-left"]), state=st.sampled_from(["drilled", "blocked"]), x_mm=mm(300, 4000), y_mm=mm(300, 2400)),
        fixing=maybe(st.sampled_from(["screw-4", "toggle", "plug-block", "own"])), per_bracket=maybe(st.integers(1, 4)), cover_mm=maybe(mm(0, 40)),
        way=maybe(st.sampled_from(["cleat", "rods", "proud-screws", "bottom-catch", "ledger", "wire", "top-brackets"])), hang_parts=maybe(st.integers(2, 5)),
        lower_parts=maybe(st.integers(2, 4)), row_fixed_mm=maybe(mm(600, 1500)), rod_mm=maybe(mm(60, 400)), cleat_board_mm=maybe(mm(12, 30)), trim_mm=maybe(mm(0, 20)),
        height_by=maybe(st.sampled_from(["less", "cabinet"])), leaflet_mm=maybe(mm(20, 900)), bottom=maybe(st.sampled_from(["pads", "free", "screws", "cleat"])), cleat_piece=maybe(st.just("blocks")),
        cleat_up_edge_mm=maybe(mm(900, 2300)), cleat_up_left_mm=maybe(mm(300, 1500)), cleat_up_right_mm=maybe(mm(1600, 3600)),
        across_from=maybe(st.sampled_from(["right", "center", "stud"])), up_from=maybe(st.sampled_from(["floor", "ceiling"])),
        anchor_base=maybe(st.sampled_from(["wood", "brick"])), anchor_pull_n=maybe(mm(50, 900)),
        fix_to=maybe(st.sampled_from(["studs", "backer", "anchors"])), drop_mm=maybe(mm(0, 60)), row_offset_mm=maybe(mm(20, 120)), side_play_mm=maybe(mm(0, 200)),
        lift_on_mm=maybe(mm(0, 30)), rule=maybe(st.sampled_from(["share", "fixed"])), spacing_mm=maybe(mm(600, 2000)),
    ),
    "hang": of(
        first=maybe(st.sampled_from(["frame", "picture"])), pulled=maybe(st.booleans()),
        picture=items("p", 1, tl_x_mm=mm(500, 700), tl_y_mm=mm(1900, 2100), tr_x_mm=mm(2700, 2900), tr_y_mm=mm(1900, 2100), br_x_mm=mm(2700, 2900), br_y_mm=mm(700, 900), bl_x_mm=mm(500, 700), bl_y_mm=mm(700, 900)),
        readings=items("h", 2, level_mm=maybe(mm(-9, 9)), gap_left_mm=maybe(mm(0, 90)), gap_right_mm=maybe(mm(0, 90)), plumb_left_mm=maybe(mm(-6, 6)), crossing_mm=maybe(mm(-6, 6))),
    ),
    "align": of(rounds=items("r", 2, **{f"{one}_mm": maybe(mm(-40, 40)) for one in ("tl_x", "tl_y", "tr_x", "tr_y", "br_x", "br_y", "bl_x", "bl_y")})),
    "tension": of(
        hold=maybe(st.sampled_from(["staple", "spring", "lug", "snap", "lace", "pin"])), spacing_mm=maybe(mm(25, 300)), inset_mm=maybe(mm(20, 80)),
        short_sides_first=maybe(st.booleans()), first_side=maybe(st.sampled_from(["top", "right", "bottom", "left"])), in_step=maybe(st.booleans()),
        batch=maybe(st.integers(1, 4)), corner_pass=maybe(st.integers(1, 2)), cluster=maybe(st.integers(1, 4)), from_end=maybe(st.booleans()),
        bars=maybe(st.sampled_from(["before", "after"])), rods_last=maybe(st.booleans()), number_from=maybe(st.sampled_from(["top-right", "bottom-left"])),
        clockwise=maybe(st.booleans()),
    ),
}  # fmt: skip


@st.composite
def rich_jobs(draw: Any) -> Job:
    """A job with something of everything, much of it left out."""
    found = {name: draw(part) for name, part in others.items()}
    found |= {"survey": draw(survey), "size": draw(size), "throw": draw(throw), "light": draw(light)}
    lamps = draw(
        items("l", 2, x_mm=mm(0, 4000), y_mm=mm(300, 2300), z_mm=mm(500, 5000), lumens=maybe(mm(100, 900)))
    )
    found["survey"]["lamps"] = [one | {"name": f"lamp {one['id']}"} for one in lamps]
    states = draw(items("t", 3, lux=maybe(mm(0, 60))))
    if states:
        lit = draw(st.lists(st.sampled_from([one["id"] for one in lamps]), unique=True)) if lamps else []
        found["light"]["states"] = [one | {"name": f"state {one['id']}", "lamps": lit} for one in states]
    style = draw(st.sampled_from(["mm", "cm", "in", "in-fraction", "ft-in"]))
    job = read_job({"name": "any", "units": {"style": style}, **found})
    marked = draw(st.sampled_from(["/survey/wall_width_mm", "/wall/drop_mm", "/throw/ratio_low"]))
    return job.model_copy(update={"known": {marked: "assumed"}}) if draw(st.booleans()) else job
