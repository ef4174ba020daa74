"""The full-size template: holes, level and center line at 1:1, tiled on paper, and the same as one SVG and DXF."""

import io
from collections.abc import Iterator
from dataclasses import dataclass, replace
from html import escape
from itertools import groupby

from gantline.core.units import plain
from gantline.core.wall.template import SCALE_BAR_MM, Tile, tiles
from gantline.sheets.lettering import embedded_font, svg_text, wrapped
from gantline.sheets.pdf import markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, OPEN_FILES, PDF, Paper, Ready, Sheet
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.wall import drilling

MARGIN_MM, FOOT_MM, OVERLAP_MM = 10.0, 14.0, 15.0
SIDEWAYS: dict[Paper, tuple[float, float]] = {"a4": (297.0, 210.0), "letter": (279.4, 215.9)}
SAME_SHEET_MM = 60.0  # so far below its row a hole is on the same sheet
ARM_MM, RING_MM, NAME_MM = 9.0, 4.0, 5.0
STOP_MM = 4.5  # letters of what forbids drilling
STYLE = (
    ".lettering{font-family:Archivo;font-weight:600}.thin{stroke:#000;stroke-width:.18;fill:none}"
    ".line{stroke:#000;stroke-width:.35;fill:none}.hole{stroke:#c00;stroke-width:.35;fill:none}"
)


@dataclass(frozen=True, slots=True)
class Spot:
    """A hole on the wall [mm], its name, and whether a Stop forbids it."""

    name: str
    row: str
    screw: int
    x_mm: float
    y_mm: float
    forbidden: bool


def spots(ready: Ready) -> tuple[Spot, ...]:
    """Every hole, numbered as the marks are."""
    found = ready.made.ask(drilling)
    gone = {refused_hole.key for refused_hole in ready.made.refused[0]}
    return tuple(
        Spot(f"{number} {spot.name}", spot.row, spot.screw, spot.x_mm, spot.y_mm, spot.key in gone)
        for number, spot in enumerate(found.holes if found else (), start=1)
    )


def paper_tiles(ready: Ready) -> tuple[Tile, ...]:
    """The sheets of a job on its paper that have a hole, turned sideways. Each row is laid out from one end to the other by way
    of the screen's center; the blank sheets between are left out."""
    wide, high = SIDEWAYS[ready.paper]
    spots_there, center = spots(ready), ready.made.ask(centre_x_mm)
    rows = {spot.row: spot.y_mm for spot in spots_there if spot.screw == 1}
    lines = [
        (row, y, [center, *(cross.x_mm for cross in spots_there if cross.row == row)])
        for row, y in rows.items()
    ]
    # a further screw far below its first has sheets of its own
    lines += [
        (
            f"{cross.row}, screw {cross.screw}",
            cross.y_mm,
            [center, *(each.x_mm for each in spots_there if each.y_mm == cross.y_mm)],
        )
        for cross in {(cross.row, cross.screw): cross for cross in spots_there if cross.screw > 1}.values()
        if rows[cross.row] - cross.y_mm > SAME_SHEET_MM
    ]
    laid = tiles(
        lines,
        wide_mm=wide - 2.0 * MARGIN_MM,
        high_mm=high - 2.0 * MARGIN_MM - FOOT_MM,
        overlap_mm=OVERLAP_MM,
    )
    kept = [tile for tile in laid if any(tile.holds(spot.x_mm, spot.y_mm) for spot in spots_there)]
    return tuple(
        replace(tile, number=number, of=len(row))
        for row in (list(group) for _, group in groupby(kept, key=lambda tile: tile.row))
        for number, tile in enumerate(row, start=1)
    )


def _pieces(
    ready: Ready, left: float, bottom: float, right: float, top: float, shift: tuple[float, float]
) -> Iterator[str]:
    """Level, center and frame-top lines and holes of a part of the wall; shift: its upper left corner on the paper."""
    there, center = spots(ready), ready.made.ask(centre_x_mm)

    def place(x: float, y: float) -> tuple[float, float]:
        return shift[0] + x - left, shift[1] + top - y

    levels = dict.fromkeys(
        (f"{spot.row} row{f', screw {spot.screw}' if spot.screw > 1 else ''}", spot.y_mm)
        for spot in there
        if bottom <= spot.y_mm <= top
    )
    for row, y in levels:
        (x1, at), (x2, _) = place(left, y), place(right, y)
        yield f'<path class="line" stroke-dasharray="12 3" d="M{x1:.3f} {at:.3f}H{x2:.3f}"/>'
        yield svg_text(x1 + 3.0, at - 1.5, f"level, {row}", 3.2, "start")
    edge = ready.made.ask(placement).top_mm
    if bottom <= edge <= top:
        (x1, at), (x2, _) = place(left, edge), place(right, edge)
        yield f'<path class="thin" d="M{x1:.3f} {at:.3f}H{x2:.3f}"/>'
        yield svg_text(x1 + 3.0, at - 1.5, "frame top", 3.2, "start")
    if left <= center <= right:
        at, y1 = place(center, top)
        _, y2 = place(center, bottom)
        yield f'<path class="line" stroke-dasharray="9 2 2 2" d="M{at:.3f} {y1:.3f}V{y2:.3f}"/>'
        yield svg_text(at + 2.0, y1 + 5.0, "screen center", 3.2, "start")
    for cross in there:
        if left <= cross.x_mm <= right and bottom <= cross.y_mm <= top:
            x, y = place(cross.x_mm, cross.y_mm)
            if cross.forbidden:
                yield f'<path class="line" d="M{x - 9:.3f} {y - 9:.3f}l18 18m-18 0l18 -18"/>'
                yield svg_text(x, y - 11.0, f"{cross.name}: do not drill", NAME_MM, "middle")
                continue
            yield (
                f'<path class="hole" d="M{x - ARM_MM:.3f} {y:.3f}h{2 * ARM_MM}M{x:.3f} {y - ARM_MM:.3f}v{2 * ARM_MM}"/>'
                f'<circle class="hole" cx="{x:.3f}" cy="{y:.3f}" r="{RING_MM}"/>'
            )
            yield svg_text(x + RING_MM + 2.0, y - RING_MM - 1.0, cross.name, NAME_MM, "start")


def _page(ready: Ready, tile: Tile, paper: tuple[float, float]) -> str:
    wide, high = paper
    right, low = wide - MARGIN_MM, high - MARGIN_MM - FOOT_MM
    drawn = "".join(
        _pieces(ready, tile.left_mm, tile.bottom_mm, tile.right_mm, tile.top_mm, (MARGIN_MM, MARGIN_MM))
    )
    marks = []
    beside = [other for other in paper_tiles(ready) if other.row == tile.row and other != tile]
    joins = [join for join in tile.joins_mm if any(other.left_mm < join < other.right_mm for other in beside)]
    for at in (MARGIN_MM + join - tile.left_mm for join in joins):
        marks.append(f'<path class="thin" stroke-dasharray="1 2" d="M{at:.3f} {MARGIN_MM}V{low:.3f}"/>')
        marks += [
            f'<path class="thin" d="M{at - 3:.3f} {y:.3f}h6m-3 -3v6"/>' for y in (MARGIN_MM + 12, low - 12)
        ]
    foot = high - MARGIN_MM
    bar = (
        f'<rect x="{MARGIN_MM}" y="{foot - 5:.3f}" width="{SCALE_BAR_MM}" height="2.5" fill="#000"/>'
        + svg_text(MARGIN_MM, foot, "100 mm: measure it, print at 100 %", 3.2, "start")
    )
    said = f"{tile.row} row, sheet {tile.number} of {tile.of}. {_laid_by(ready, tile)}"
    text = svg_text(right, foot - 1.0, f"{ready.job.name} · {said}", 3.2, "end")
    stop = _stopped(ready, tile, right - MARGIN_MM)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide}mm" height="{high}mm" viewBox="0 0 {wide} {high}">'
        f'<rect class="thin" x="{MARGIN_MM}" y="{MARGIN_MM}" width="{right - MARGIN_MM:.3f}" height="{low - MARGIN_MM:.3f}"/>'
        f"<style>{STYLE}</style>{drawn}{''.join(marks)}{bar}{text}{stop}</svg>"
    )


def _stop_lines(ready: Ready, width: float) -> list[str]:
    return [line for text in ready.forbids for line in wrapped(text, STOP_MM, width)]


def _stopped(ready: Ready, tile: Tile, width: float) -> str:
    """What forbids drilling and why, over the drawing; at the foot of the sheet where a hole is drawn at its head."""
    lines = _stop_lines(ready, width - 8.0)
    if not lines:
        return ""
    high = 1.3 * STOP_MM * len(lines) + 3.0
    covers = any(
        tile.holds(spot.x_mm, spot.y_mm) and spot.y_mm > tile.top_mm - high - 2.0 * NAME_MM - ARM_MM
        for spot in spots(ready)
    )
    top = MARGIN_MM + (tile.top_mm - tile.bottom_mm - high if covers else 0.0)
    box = f'<rect class="line" x="{MARGIN_MM}" y="{top:.3f}" width="{width:.3f}" height="{high:.3f}" style="fill:#fff"/>'
    return box + "".join(
        svg_text(MARGIN_MM + 4.0, top + 1.3 * STOP_MM * at, line, STOP_MM, "start")
        for at, line in enumerate(lines, start=1)
    )


def _laid_by(ready: Ready, tile: Tile) -> str:
    """What a sheet is laid by: the one before where they overlap, else its first hole's own mark and the level line."""
    if any(
        before.row == tile.row and before.number == tile.number - 1 and tile.left_mm < before.right_mm
        for before in paper_tiles(ready)
    ):
        return f"Lay its left dashed line on the right one of sheet {tile.number - 1}"
    first = min(
        (spot for spot in spots(ready) if tile.holds(spot.x_mm, spot.y_mm)), key=lambda spot: spot.x_mm
    )
    return f"Lay its level line level, hole {first.name} {ready.made.ask.text(first.x_mm)} from the left wall end"


def template_pdf(ready: Ready) -> bytes:
    """A page for each sheet of the template; one that says what is missing where there are no holes."""
    paper = SIDEWAYS[ready.paper]
    pages = [markup(_page(ready, tile, paper)) for tile in paper_tiles(ready)]
    return to_pdf(
        render("template.html", ready.paper, wide=paper[0], high=paper[1], pages=pages, stops=ready.stops)
    )


def _bounds(ready: Ready) -> tuple[float, float, float, float]:
    there, center = spots(ready), ready.made.ask(centre_x_mm)
    xs, ys = [center, *(spot.x_mm for spot in there)], [one.y_mm for one in there] or [0.0]
    return min(xs) - 60.0, min(ys) - 60.0, max(xs) + 60.0, max(ys) + 60.0


def template_svg(ready: Ready) -> bytes:
    """The whole template as one drawing in true millimeters."""
    left, bottom, right, top = _bounds(ready)
    wide = right - left
    lines = _stop_lines(ready, wide - 8.0)
    top += 1.3 * STOP_MM * len(lines)
    high = top - bottom
    drawn = "".join(_pieces(ready, left, bottom, right, top, (0.0, 0.0)))
    stop = "".join(
        svg_text(4.0, 1.3 * STOP_MM * at, line, STOP_MM, "start") for at, line in enumerate(lines, start=1)
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.3f}mm" height="{high:.3f}mm" viewBox="0 0 {wide:.3f} {high:.3f}">'
        f"<title>{escape(ready.job.name)}: template, full size</title><style>{embedded_font()}{STYLE}</style>{drawn}{stop}"
        f'<rect x="5" y="{high - 9:.3f}" width="{SCALE_BAR_MM}" height="2.5" fill="#000"/></svg>'
    ).encode()


def template_dxf(ready: Ready) -> bytes:
    """The same as DXF (R2010, millimeters); origin: left wall end, floor at the survey point."""
    from ezdxf.filemanagement import new
    from ezdxf.units import MM

    document = new("R2010", setup=True)
    document.units = MM
    document.header.custom_vars.append("Job", plain(ready.job.name))
    for layer, color in (("HOLES", 1), ("HOLES_REFUSED", 6), ("LEVEL", 5), ("CENTER", 3), ("FRAME_TOP", 8)):
        document.layers.add(layer, color=color)
    space = document.modelspace()
    left, bottom, right, top = _bounds(ready)
    for spot in spots(ready):
        at, layer = (spot.x_mm, spot.y_mm), "HOLES_REFUSED" if spot.forbidden else "HOLES"
        arms = ((9.0, 9.0), (-9.0, 9.0)) if spot.forbidden else ((9.0, 0.0), (0.0, 9.0))
        for dx, dy in arms:
            space.add_line((at[0] - dx, at[1] - dy), (at[0] + dx, at[1] + dy), dxfattribs={"layer": layer})
        if not spot.forbidden:
            space.add_circle(at, 2.5, dxfattribs={"layer": layer})
        name = plain(f"{spot.name}: do not drill" if spot.forbidden else spot.name)
        space.add_text(name, height=5.0, dxfattribs={"layer": layer}).set_placement(
            (at[0] + 6.0, at[1] + 6.0)
        )
    for y in {one.y_mm for one in spots(ready)}:
        space.add_line((left, y), (right, y), dxfattribs={"layer": "LEVEL"})
    center, edge = ready.made.ask(centre_x_mm), ready.made.ask(placement).top_mm
    space.add_line((center, bottom), (center, top), dxfattribs={"layer": "CENTER"})
    space.add_line((left, edge), (right, edge), dxfattribs={"layer": "FRAME_TOP"})
    for line, text in enumerate(reversed(ready.forbids), start=1):
        space.add_text(plain(text), height=10.0, dxfattribs={"layer": "HOLES_REFUSED"}).set_placement(
            (left, top + 15.0 * line)
        )
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


SHEET = Sheet(
    key="template",
    label="Template, full size",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="template.pdf",
    make=template_pdf,
    papers=True,
    about=(drilling,),
    there=lambda made: made.ask(drilling) is not None,
)
SVG = Sheet(
    key="template-drawing",
    label="Template, full size",
    group=OPEN_FILES,
    note="SVG",
    media_type="image/svg+xml",
    ending="template.svg",
    make=template_svg,
    about=(drilling,),
    there=lambda made: made.ask(drilling) is not None,
)
DXF = Sheet(
    key="template-dxf",
    label="Template, full size",
    group=OPEN_FILES,
    note="DXF, mm",
    media_type="image/vnd.dxf",
    ending="template.dxf",
    make=template_dxf,
    about=(drilling,),
    there=lambda made: made.ask(drilling) is not None,
)
