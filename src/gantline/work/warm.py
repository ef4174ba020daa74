"""Loaded once by the fork server: every child begins with the layout engine, its fonts and the pens at hand."""

import ezdxf.filemanagement  # noqa: F401
import scipy.optimize  # noqa: F401
import weasyprint  # noqa: F401

from gantline.sheets import pdf, registry  # noqa: F401
from gantline.work import child  # noqa: F401

pdf.own_fonts()
