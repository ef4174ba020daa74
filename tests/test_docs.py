"""The documents that are made from the program say what the program says now."""

import pytest
from tools.docs import DOCS, FILES


@pytest.mark.parametrize("name", list(FILES))
def test_a_made_document_is_fresh(name: str) -> None:
    assert (DOCS / name).read_text(encoding="utf-8") == FILES[name](), "run python -m tools.docs"
