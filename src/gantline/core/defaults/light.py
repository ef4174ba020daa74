"""Fabric, projector light and the room's own light."""

from gantline.core.defaults.default import Default


class LightDefaults:
    """Fabric, projector light and the room's own light."""

    bright_low_cd_m2 = Default(
        25.0, "cd/m2", 1.0, 200.0, "dimmer than this looks dull even in the dark", "half the dark target"
    )
    bright_dark_cd_m2 = Default(
        48.0, "cd/m2", 5.0, 300.0, "luminance for a dark room, at least", "target for films"
    )
    bright_lamp_cd_m2 = Default(
        100.0, "cd/m2", 10.0, 500.0, "luminance with evening lamps, at least", "target with lamps"
    )
    bright_day_cd_m2 = Default(200.0, "cd/m2", 20.0, 1000.0, "luminance by day, at least", "target by day")
    even_poor = Default(0.4, "share", 0.05, 1.0, "evenness below which edges look dark", "a clear hot spot")
    even_good = Default(
        0.8, "share", 0.1, 1.0, "evenness above which nothing shows", "the eye adapts to less"
    )
    gain = Default(
        1.0,
        "share",
        0.1,
        5.0,
        "gain of the fabric on its axis",
        "matt white, until the fabric is chosen",
        spread=0.1,
        spread_source="white cloths",
    )
    ambient_reflectance = Default(
        0.95,
        "share",
        0.02,
        1.0,
        "fabric's reflectance for room light",
        "matt white: near its gain",
        spread=0.05,
        spread_source="white cloths",
    )
    mode_share = Default(
        0.7,
        "share",
        0.1,
        1.0,
        "light left in the accurate picture mode",
        "commonly 0.6 to 0.8 of the rated",
        spread=0.08,
        spread_source="measured bodies",
    )
    age_share = Default(
        0.8,
        "share",
        0.1,
        1.0,
        "light left with age",
        "laser; lamps fall to 0.7",
        spread=0.08,
        spread_source="measured bodies",
    )
    zoom_long_share = Default(
        0.75,
        "share",
        0.2,
        1.0,
        "light left at the long end of the zoom",
        "lens of medium speed",
        spread=0.06,
        spread_source="lenses",
    )
    contrast = Default(
        1500.0,
        "ratio",
        10.0,
        1_000_000.0,
        "projector's own contrast",
        "honest on/off figure of common ones",
        spread=500.0,
        spread_source="measured bodies",
    )
    pixels_across = Default(
        1920.0, "pixels", 100.0, 20000.0, "pixels across the panel", "until the record says more"
    )
    mean_level = Default(
        0.2, "share", 0.01, 1.0, "mean level of a picture", "films are darker than they seem"
    )
    hot_spot = Default(
        0.6, "share", 0.1, 1.0, "evenness at the main seat, at least", "below it a hot spot shows"
    )
    too_bright_lamp_cd_m2 = Default(
        450.0, "cd/m2", 80.0, 3000.0, "brightest picture with evening lamps", "above it eyes tire"
    )
    too_bright_cd_m2 = Default(
        250.0, "cd/m2", 50.0, 2000.0, "brightest picture in a dark room", "above it eyes tire"
    )
    lux_dark = Default(
        0.5,
        "lux",
        0.0,
        100.0,
        "light on the screen, dark",
        "until measured",
        spread=0.3,
        spread_source="rooms",
    )
    lux_lamp = Default(
        10.0,
        "lux",
        0.0,
        1000.0,
        "light on the screen, one lamp",
        "until measured",
        spread=5.0,
        spread_source="rooms",
    )
    lamp_lm = Default(
        470.0,
        "lm",
        1.0,
        20000.0,
        "light of one lamp",
        "a common small bulb, until its box is read",
        spread=150.0,
        spread_source="small bulbs",
    )
    lux_evening = Default(
        50.0,
        "lux",
        0.0,
        2000.0,
        "light on the screen, evening living room",
        "until measured",
        spread=25.0,
        spread_source="rooms",
    )
    lux_curtained = Default(
        150.0,
        "lux",
        0.0,
        5000.0,
        "light on the screen, curtained day",
        "until measured",
        spread=70.0,
        spread_source="rooms",
    )
    lux_day = Default(
        400.0,
        "lux",
        0.0,
        20000.0,
        "light on the screen, open day",
        "until measured",
        spread=200.0,
        spread_source="rooms",
    )
    reflect_white = Default(0.7, "share", 0.0, 0.95, "mean reflectance of white surfaces", "paint")
    reflect_mid = Default(
        0.4, "share", 0.0, 0.95, "mean reflectance of medium surfaces", "colored paint, wood"
    )
    reflect_dark = Default(0.15, "share", 0.0, 0.95, "mean reflectance of dark surfaces", "dark paint")
    reflect_velvet = Default(0.03, "share", 0.0, 0.95, "mean reflectance of velvet", "black pile")
