"""Why a photo is not read."""

from gantline.core.errors import DesignError


class Untrusted(DesignError):
    """A photo that is not read, and why."""

    code = "photo-untrusted"
