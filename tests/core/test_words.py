"""Things are found by what people call them."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.words import meant, score


@pytest.mark.parametrize(
    ("said", "found", "not_found"),
    [
        ("how tall is the picture", "Picture height", "Picture width"),
        ("couch", "Main seat", "Stud spacing"),
        ("batten spacing", "Stud spacing", "Bracket spacing"),
        ("drill", "Upper holes above datum", "Viewing angle"),
        ("cloth", "Fabric sheet", "Cut sheet"),
        ("brightness", "Luminance on axis", "Light in the room"),
        ("Shopp", "Shopping list", "Stop"),
    ],
)
def test_a_thing_answers_to_another_name_for_it(said: str, found: str, not_found: str) -> None:
    assert score(meant(said), found) > 0.0
    assert score(meant(said), not_found) == 0.0


def test_a_word_of_the_name_counts_more_than_one_beside_it_and_every_word_must_be_answered() -> None:
    asked = meant("frame depth")
    assert score(asked, "Frame depth") > score(asked, "Body depth", "of the frame") > 0.0
    assert score(asked, "Frame") == 0.0


@given(st.text(max_size=60), st.text(max_size=60))
def test_whatever_is_typed_finds_something_or_nothing(said: str, title: str) -> None:
    assert score(meant(said), title) >= -3.0
