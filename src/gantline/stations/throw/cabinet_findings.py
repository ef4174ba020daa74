"""What stands against a cabinet-top body."""

from collections.abc import Iterator

from gantline.core.height.place import WishKind
from gantline.core.throw.body import lens_to_rear_mm
from gantline.core.throw.cabinet import picture_centre_mm
from gantline.core.throw.level import level_shims
from gantline.core.tolerance import at_most
from gantline.job.field import field_of
from gantline.job.model.height import HeightTarget
from gantline.job.model.size import Size
from gantline.job.model.survey import Survey
from gantline.job.model.throw import ProjectorBody as B
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, Cure, Finding, cure, found, noted
from gantline.stations.common import place_slack_mm, way_words
from gantline.stations.height import centre_x_mm, placement, under
from gantline.stations.size import diagonal_cure, screen
from gantline.stations.throw.cabinet import cabinet, cabinet_body, cabinet_depths
from gantline.stations.throw.codes import Code
from gantline.stations.throw.findings import OFF_THE_SCREEN, OTHER_PROJECTOR
from gantline.stations.throw.lens import projected

LEAST_TURN = 0.05  # of a foot: less nobody turns


@noted
def past_its_body(at: Ask) -> Iterator[Finding]:
    """A lens that would stand behind its own body: every move of the body turns about the wrong point then."""
    deep, face = at.field(B.depth_mm), at.field(B.lens_to_wall_face_mm)
    if lens_to_rear_mm(deep, face) > 0.0:
        return
    text = (
        f"The body is {at.text(deep)} deep, and its lens {at.text(face)} from the face that looks at the wall: one of the two is "
        "wrong. Measure both on the projector."
    )
    subject = field_of(B.lens_to_wall_face_mm).pointer
    yield Finding(code=Code.LENS_PAST_BODY, severity="check", text=text, subject=subject)


def out_of_the_wall(at: Ask) -> tuple[Cure, ...]:
    """The smallest picture that takes the lens far enough out: its width moves the lens by the throw ratio."""
    needed, body, picture = at(cabinet_depths), at(cabinet_body), at(screen).picture
    if needed is None or body is None:
        return ()
    wider = 1.0 - needed.gap_mm / (body.ratio * picture.width_mm)
    fits = at.up(picture.diagonal_mm * wider)
    return (diagonal_cure(f"Use a picture of {at.text(fits)} diagonal", fits), OTHER_PROJECTOR)


@found
def depth(at: Ask) -> Iterator[Finding]:
    """A body that would stand in the wall, and one that stands over its cabinet's edge."""
    needed, on = at(cabinet_depths), at(under, at(centre_x_mm))
    if needed is None:
        return
    if needed.gap_mm < 0.0:
        text = (
            f"For this size the body's back would stand {at.text(-needed.gap_mm)} in the wall. Choose a larger picture "
            "or another projector."
        )
        numbers, subject = {"short_mm": -needed.gap_mm}, field_of(Size.value_mm).pointer
        yield Finding(
            code=Code.BODY_IN_WALL,
            severity="stop",
            text=text,
            subject=subject,
            numbers=numbers,
            ways=(out_of_the_wall,),
        )
    if on is None:
        return
    name, box = on
    over = needed.depth_needed_mm - box.high[2]
    if not at_most(over, at(place_slack_mm)):
        text = (
            f"The body stands {at.text(over)} over the {box.name}'s front edge. It needs "
            f"{at.text(needed.depth_needed_mm)} from the wall."
        )
        subject = f"{field_of(Survey.boxes).pointer}/{name}"
        unread = [field for field in (B.depth_mm, B.lens_to_wall_face_mm) if at.given(field) is None]
        if unread:
            yield Finding(
                code=Code.CABINET_DEPTH,
                severity="check",
                text=f"Measure the body's depth and how far its lens sits behind the face to the wall. As such bodies usually "
                f"are, it stands {at.text(over)} over the {box.name}'s front edge.",
                subject=field_of(unread[0]).pointer,
                numbers={"over_mm": over},
            )
            return
        z = at.up(box.low[2] + over)
        pull = Cure(
            text=f"Pull the {box.name} out from the wall, its back to {at.text(z)} from it",
            changes=(Change(pointer=f"{subject}/z_mm", value=z),),
        )
        yield Finding(
            code=Code.CABINET_DEPTH,
            severity="check",
            text=text,
            subject=subject,
            numbers={"over_mm": over},
            cures=(pull,),
        )


@found
def height(at: Ask) -> Iterator[Finding]:
    """A cabinet too low or too high for the feet, or turns of the feet."""
    needed, body = at(cabinet), at(cabinet_body)
    if needed is None or body is None:
        return
    on, boxes = at(under, at(centre_x_mm)), field_of(Survey.boxes).pointer
    if on is None:
        text = "Survey the cabinet the projector stands on, to check its height and depth."
        yield Finding(code=Code.NO_CABINET, severity="note", text=text, subject=boxes)
        return
    name, box = on
    subject, top = f"{boxes}/{name}", box.high[1]
    lift, feet = needed.base_mm - top, at.field(B.foot_range_mm)
    slack = at(place_slack_mm)
    if not (at_most(0.0, lift, slack) and at_most(lift, feet, slack)):
        hung = at(placement)
        move = picture_centre_mm(body, at(projected), base_mm=top) - hung.picture_centre_mm
        to, lens_y = at.near(hung.top_mm + move), at.near(top + body.lens_above_base_mm)
        follow = cure(
            f"Set the lens at {at.text(lens_y)} on the {box.name}, and move the screen {way_words(at, 1, move)}, to a top "
            f"of {at.text(to)}",
            (P.lens_y_mm, lens_y),
            (HeightTarget.wish, WishKind.FRAME_TOP.value),
            (HeightTarget.wish_mm, to),
        )
        plinth = (
            f"Add a plinth of {at.text(lift)}" if lift > 0 else f"Lower the {box.name} by {at.text(-lift)}"
        )
        way = "above" if move > 0 else "below"
        yield Finding(
            code=Code.CABINET_HEIGHT,
            severity="stop",
            text=f"From the {box.name} the picture sits {at.text(abs(move))} {way} the screen; the feet adjust only "
            f"{at.text(feet)}.",
            subject=subject,
            numbers={"lift_mm": lift},
            cures=(follow, Cure(text=plinth)),
            also=OFF_THE_SCREEN,
        )
        return
    turn = at.given(B.foot_turn_mm)
    if lift >= at.step_mm / 2.0 and turn and lift / turn >= LEAST_TURN:
        text = f"Level the {box.name} both ways first. Then turn all feet out {lift / turn:.1f} turns ({at.text(lift)})."
        yield Finding(code=Code.FEET, severity="note", text=text, subject=subject)


@noted
def stands_level(at: Ask) -> Iterator[Finding]:
    """A cabinet that a level was laid on both ways, and is off: which feet to shim, and what to read again."""
    right, front = at.given(P.stand_right_high_mm), at.given(P.stand_front_high_mm)
    on = at(under, at(centre_x_mm))
    if (right is None and front is None) or on is None:
        return
    _, box = on
    picture = at(screen).picture.width_mm
    shims = level_shims(
        right_high_mm=right or 0.0,
        front_high_mm=front or 0.0,
        wide_mm=box.high[0] - box.low[0],
        picture_mm=picture,
    )
    feet = {
        "left back": shims.left_back_mm,
        "right back": shims.right_back_mm,
        "left front": shims.left_front_mm,
        "right front": shims.right_front_mm,
    }
    least = at.step_mm / 2.0
    under_feet = ", ".join(
        f"{at.text(high)} under the {foot} foot" for foot, high in feet.items() if high >= least
    )
    if not under_feet:
        return
    turned = (
        f" It turns the picture by {at.text(abs(shims.turned_mm))} over its width."
        if abs(shims.turned_mm) >= least
        else ""
    )
    text = f"The {box.name} does not stand level.{turned} Put {under_feet}, then read the picture's width once more."
    now = cure("It stands level now", (P.stand_right_high_mm, 0.0), (P.stand_front_high_mm, 0.0))
    subject = field_of(P.stand_right_high_mm).pointer
    yield Finding(code=Code.NOT_LEVEL, severity="check", text=text, subject=subject, cures=(now,))


FINDINGS = (past_its_body, depth, height, stands_level)
