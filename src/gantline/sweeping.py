"""How this process keeps its memory: how often it looks through it for rings of objects, and in how many heaps it lies."""

import gc

# objects made and not freed; and so often the young before the older, these before all
SWEPT_AFTER = (50_000, 10, 20)
M_ARENA_MAX, HEAPS = -8, 2  # the first as malloc.h of glibc has it


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


def few_heaps() -> None:
    """Let all threads of this process share two heaps: to be called before there are threads.

    glibc gives each thread one of its own. What a thread frees there serves no other thread, and a server whose plans live
    longer than the threads that made them grows by the hour. Where there is no glibc nothing is changed.
    """
    import ctypes  # no other command waits for it

    mallopt = getattr(ctypes.CDLL(None), "mallopt", None)
    if mallopt is not None:
        mallopt(M_ARENA_MAX, HEAPS)
