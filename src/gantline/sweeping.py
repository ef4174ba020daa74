"""How often this process looks through its memory for rings of objects."""

import gc

# objects made and not freed; and so often the young before the older, these before all
SWEPT_AFTER = (50_000, 10, 20)


def begun() -> None:
    """From the start: what is loaded are hundreds of thousands of objects that stay, not worth looking through again and
    again."""
    gc.set_threshold(*SWEPT_AFTER)


def seldom_swept() -> None:
    """Let this process look through its memory for rings of objects less often than Python usually does.

    Hundreds of plans at hand are millions of objects; Python's usual measure goes through all of them, and everybody waits a
    second or more. Plans are no rings, and are freed when the last one lets go. What was loaded by now stays for good.
    """
    gc.collect()
    gc.freeze()
    gc.set_threshold(*SWEPT_AFTER)
