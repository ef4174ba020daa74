"""Newton's step from a sheet's tangent: symmetric, narrow when its unknowns are numbered along the sheet, but for the racking."""

from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

if TYPE_CHECKING:  # slow to import: only who solves a sheet waits for it
    from scipy.sparse import csc_matrix

Floats = NDArray[np.float64]


class Steps:
    """Solves with matrices of one pattern. The last unknown, the racking, meets every point of the frame: it is kept aside.

    Source: Cholesky's way on the band that Cuthill and McKee's numbering leaves; a matrix that is not positive goes to a
    sparse LU.
    """

    def __init__(self, pattern: "csc_matrix", *, last_aside: bool) -> None:
        from scipy.sparse import csc_matrix
        from scipy.sparse.csgraph import reverse_cuthill_mckee

        size = pattern.shape[0]
        self.inner = size - 1 if last_aside else size
        columns = np.repeat(np.arange(size), np.diff(pattern.indptr))
        rows = pattern.indices
        self.among = np.flatnonzero((rows < self.inner) & (columns < self.inner))
        graph = csc_matrix(
            (np.ones(len(self.among)), (rows[self.among], columns[self.among])),
            shape=(self.inner, self.inner),
        )
        self.order = np.asarray(reverse_cuthill_mckee(graph, symmetric_mode=True))
        place = np.empty(self.inner, np.int64)
        place[self.order] = np.arange(self.inner)
        row, column = place[rows[self.among]], place[columns[self.among]]
        lower = row >= column
        self.among, row, column = self.among[lower], row[lower], column[lower]
        self.width = int((row - column).max(initial=0)) + 1
        self.into = (row - column) * self.inner + column
        self.aside = (
            np.flatnonzero((columns == self.inner) & (rows < self.inner))
            if last_aside
            else np.zeros(0, np.int64)
        )
        self.aside_rows = rows[self.aside]
        self.corner = np.flatnonzero((columns == self.inner) & (rows == self.inner)) if last_aside else None

    def solve(self, matrix: "csc_matrix", right: Floats) -> Floats:
        """The step.  Args: matrix of this pattern, right (n,)."""
        from scipy.linalg import LinAlgError, cho_solve_banded, cholesky_banded

        band = np.zeros(self.width * self.inner)
        band[self.into] = matrix.data[self.among]
        try:
            factor = cholesky_banded(
                band.reshape(self.width, self.inner), overwrite_ab=True, lower=True, check_finite=False
            )
        except LinAlgError:
            return np.asarray(factored(matrix).solve(right))
        out = np.zeros(len(right))
        if self.corner is None:
            out[self.order] = cho_solve_banded((factor, True), right[self.order], check_finite=False)
            return out
        edge = np.zeros(self.inner)
        edge[self.aside_rows] = matrix.data[self.aside]
        both = np.stack((right[: self.inner], edge), axis=1)[self.order]
        solved = np.empty_like(both)
        solved[self.order] = cho_solve_banded((factor, True), both, check_finite=False)
        last = (right[-1] - edge @ solved[:, 0]) / (
            float(matrix.data[self.corner].sum()) - edge @ solved[:, 1]
        )
        out[: self.inner], out[-1] = solved[:, 0] - last * solved[:, 1], last
        return out


def factored(matrix: "csc_matrix"):  # type: ignore[no-untyped-def]
    """One sparse LU, the way that is quick for a matrix of such a pattern."""
    from scipy.sparse.linalg import splu

    return splu(matrix, permc_spec="MMD_AT_PLUS_A", diag_pivot_thresh=0.0, options={"SymmetricMode": True})
