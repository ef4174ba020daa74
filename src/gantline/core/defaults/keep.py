"""How long the shop keeps what it no longer needs every day."""

from gantline.core.defaults.default import Default


class KeepDefaults:
    """Rules of the shop for old versions."""

    versions_days = Default(
        90.0,
        "days",
        7.0,
        36_500.0,
        "every version of a job is kept for",
        "a quarter: a job from the survey to the sign-off; of older ones the last of each day stays",
    )
