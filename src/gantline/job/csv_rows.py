"""CSV in and out: what comes is read with every fault as a sentence, what goes is harmless in a spreadsheet."""

import csv
import io
import re
from collections.abc import Iterator, Sequence

from gantline.job.problems import BadDocument, FieldProblem

# a spreadsheet takes a cell that begins like this for a formula and runs it
FORMULA = re.compile(r"^['=+\-@\t\r]")
NUMBER = re.compile(r"^[+-]?[0-9]+([.,][0-9]+)?$")
GUARD = "'"


def read_rows(
    content: bytes, needed: Sequence[str], what: str, most: int
) -> Iterator[tuple[int, dict[str, str]]]:
    """Line number and cells by column of every line; column names without case and blanks around.

    Args: needed, columns that must be there; what, a line is one of; most, as many there may be.
    Raises: BadDocument.
    """
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadDocument([FieldProblem("", "This is not a text file in UTF-8.", "")]) from error
    first = text.partition("\n")[0]
    rows = csv.DictReader(
        io.StringIO(text, newline=""), delimiter=";" if ";" in first and "," not in first else ","
    )
    line = 1
    try:
        names = [name.strip().lower() for name in rows.fieldnames or ()]
        if not set(needed) <= set(names):
            said = f"The first line must name the columns {', '.join(needed)}."
            raise BadDocument([FieldProblem("", said, first[:80])])
        for line, row in enumerate(rows, start=2):
            if line > most + 1:
                raise BadDocument([FieldProblem(f"/line {line}", f"A file holds at most {most} {what}.", "")])
            yield (
                line,
                {
                    key.strip().lower(): unguarded(value.strip())
                    for key, value in row.items()
                    if key and isinstance(value, str)
                },
            )
    except csv.Error as error:
        raise BadDocument(
            [FieldProblem(f"/line {line + 1}", f"This line cannot be read: {error}.", "")]
        ) from error


def guarded(cell: str) -> str:
    """A cell no spreadsheet takes for a formula; numbers stay as they are."""
    return f"{GUARD}{cell}" if FORMULA.match(cell) and not NUMBER.match(cell) else cell


def unguarded(cell: str) -> str:
    """A cell as it was before it was guarded."""
    bare = cell.removeprefix(GUARD)
    return bare if bare != cell and FORMULA.match(bare) else cell
