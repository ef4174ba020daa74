"""Pages of a PDF as pictures: to see a sheet before it is printed."""

import io

MOST_PAGES = 40
SMALL_PX, LARGE_PX = 220, 1000


def pictures(pdf: bytes, *, first: bool) -> tuple[int, list[bytes]]:
    """How many pages there are, and each as PNG; first: only the first one, small.  At most MOST_PAGES of them."""
    import pypdfium2

    wide = SMALL_PX if first else LARGE_PX
    document = pypdfium2.PdfDocument(pdf)
    found = []
    for number in range(min(len(document), 1 if first else MOST_PAGES)):
        page = document[number]
        image = page.render(scale=wide / page.get_width()).to_pil().convert("L")
        out = io.BytesIO()
        image.save(out, "PNG", optimize=False, compress_level=6)
        found.append(out.getvalue())
    return len(document), found
