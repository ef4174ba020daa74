"""Questions: answered once, what they read noted, kept while that stays, and only what holds weighs."""

from concurrent.futures import ThreadPoolExecutor

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.defaults import PLAIN_SHOP, Shop, WallDefaults
from gantline.job.field import field_of
from gantline.job.model import FIELDS, Job
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Seat, Survey
from gantline.plan.ask import DEFAULT_BITS, Ask, changed_bits, single_bits
from gantline.plan.assumed import assumed_facts
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import changed, edited, number


def drop(at: Ask) -> float:
    return at.field(Hanging.drop_mm)


def sum_of_two(at: Ask) -> float:
    return at(drop) + at.field(Hanging.row_offset_mm)


def larger(at: Ask) -> float:
    """The larger of two, of which only the larger weighs."""
    a, b = at.aside(drop), at.aside(offset)
    return at(drop) if a > b else at(offset)


def offset(at: Ask) -> float:
    return at.field(Hanging.row_offset_mm)


def eyes(at: Ask) -> tuple[float, ...]:
    return tuple(at.of(seat, Seat.eye_mm) for seat in at.things(Survey.seats))


def bits_of(*fields: object) -> int:
    return sum(field_of(one).bit for one in fields)


def test_what_a_question_reads_is_noted_through_the_questions_it_asks() -> None:
    at = Ask(demo_job("mill-loft"), PLAIN_SHOP)
    assert at.answer(sum_of_two).reads == bits_of(Hanging.drop_mm, Hanging.row_offset_mm)
    assert at.answer(drop).reads == bits_of(Hanging.drop_mm)
    assert at.reads & bits_of(Hanging.row_offset_mm)


def first_seat(at: Ask) -> Seat:
    return at.things(Survey.seats)[0]


def test_an_answer_is_kept_while_nothing_it_read_has_changed() -> None:
    first = Ask(demo_job("mill-loft"), PLAIN_SHOP)
    old = {one: first.answer(one) for one in (drop, sum_of_two, offset, eyes)}
    job = edited(first.job, {"/wall/row_offset_mm": 90.0})
    second = Ask(job, PLAIN_SHOP, first)
    assert second.answer(drop) is old[drop]
    assert second.answer(eyes) is old[eyes]
    assert second.answer(sum_of_two) is not old[sum_of_two]
    assert second(sum_of_two) == pytest.approx(38.1 + 90.0)
    assert Ask(job, Shop({"drop_mm": 20.0}), first).kept == {}  # another shop: nothing is kept


def test_of_two_limits_only_the_one_that_holds_weighs_and_both_are_read() -> None:
    at = Ask(demo_job("mill-loft"), PLAIN_SHOP)
    answer = at.answer(larger)
    assert answer.reads == bits_of(Hanging.drop_mm, Hanging.row_offset_mm)
    assert answer.weighs == bits_of(Hanging.row_offset_mm)  # 3 in against 1 1/2 in


def test_a_thing_of_a_list_counts_by_the_attribute_that_was_looked_at() -> None:
    job = demo_job("mill-loft")
    first = Ask(job, PLAIN_SHOP)
    old = first.answer(eyes)
    moved = edited(job, {"/survey/seats/s2/x_mm": 2000.0})
    assert Ask(moved, PLAIN_SHOP, first).answer(eyes) is old
    higher = edited(job, {"/survey/seats/s2/eye_mm": 1200.0})
    assert Ask(higher, PLAIN_SHOP, first)(eyes)[1] == 1200.0
    fewer = edited(job, {"/survey/seats/s2": None})
    assert len(Ask(fewer, PLAIN_SHOP, first)(eyes)) == len(old.value) - 1
    with pytest.raises(TypeError, match="first_seat answers with a thing of a list"):
        first(first_seat)  # kept for another Ask, nothing would note what is read of it


def test_an_absent_field_reads_the_shop_and_a_default_is_noted_by_itself() -> None:
    at = Ask(changed("mill-loft", wall__drop_mm=None), Shop({"drop_mm": 44.0}))
    assert at(drop) == 44.0
    assert at.given(Hanging.drop_mm) is None
    at.reads = 0
    at.default(WallDefaults.hole_level_mm)
    assert at.reads == DEFAULT_BITS[WallDefaults.hole_level_mm]


@given(st.sets(st.integers(0, 300), max_size=20))
def test_single_bits_are_the_bits_that_are_set(numbers: set[int]) -> None:
    assert list(single_bits(sum(1 << one for one in numbers))) == sorted(numbers)


def test_bits_of_things_are_the_same_whoever_asks_first() -> None:
    at = Ask(demo_job("mill-loft"), PLAIN_SHOP)
    with ThreadPoolExecutor(8) as pool:
        found = list(pool.map(lambda number: at.bits.bit(f"/survey/seats/s{number % 40}/x_mm"), range(400)))
    assert len(set(found)) == 40
    assert all(found[number] == at.bits.bit(f"/survey/seats/s{number % 40}/x_mm") for number in range(400))


def test_a_document_differs_from_itself_in_nothing() -> None:
    at = Ask(demo_job("parish-hall"), PLAIN_SHOP)
    assert changed_bits(at.job, at.job.model_copy(deep=True), at.bits) == 0


def test_what_other_entries_say_is_no_assumption() -> None:
    """Timber is as deep as its board, a cleat gives the standoff, a range of shift says that the lens shifts."""

    def assumed(job: Job) -> set[str]:
        ask = plan(job).ask
        return {
            fact.pointer for fact in assumed_facts(ask, sum(DEFAULT_BITS.values()) | (1 << len(FIELDS)) - 1)
        }

    bare = changed("basement-den", frame__depth_mm=None, frame__standoff_mm=None, frame__build="timber")
    assert "/frame/depth_mm" not in assumed(bare)
    assert "/frame/standoff_mm" in assumed(bare)
    assert "/frame/depth_mm" in assumed(edited(bare, {"/frame/build": "kit"}))
    assert "/frame/standoff_mm" not in assumed(edited(bare, {"/wall/way": "cleat"}))
    shifting = changed("mill-loft", throw__has_shift=None, throw__offset=None)
    assert not {"/throw/has_shift", "/throw/offset"} & assumed(shifting)
    ranges = dict.fromkeys(("/throw/shift_up", "/throw/shift_down", "/throw/shift_side"))
    assert {"/throw/has_shift", "/throw/offset"} <= assumed(edited(shifting, ranges))
    # a cabinet-top body looks back over itself: its lens is near its front edge, and that of any other at the face to the wall
    face = {"/throw/body/lens_to_wall_face_mm": None}
    behind = {
        name: number(plan(edited(demo_job(name), face)), "body_lens_to_wall_face")
        for name in ("narrow-lounge", "mill-loft")
    }
    assert behind == {"narrow-lounge": 240.0, "mill-loft": 30.0}
    assert number(plan(demo_job("narrow-lounge")), "body_lens_to_wall_face") == 245.0  # as its record has it


def from_there(at: Ask, x_mm: float) -> float:
    return x_mm + at.field(Hanging.drop_mm)


def test_answers_that_nobody_asks_any_more_are_let_go() -> None:
    """A job that is edited all day: questions asked with numbers of this morning do not pile up."""
    last: Ask | None = None
    for plan_ in range(200):
        ask = Ask(demo_job("mill-loft"), PLAIN_SHOP, last)
        ask.keep_all()
        assert [ask(from_there, float(x)) for x in range(10)] == [ask(drop) + x for x in range(10)]
        ask(from_there, 1000.0 + plan_)
        assert len(ask.answers) < 30
        last = ask
