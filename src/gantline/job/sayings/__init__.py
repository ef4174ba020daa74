"""What each field is, in a sentence or two for who meets it for the first time, station by station."""

from gantline.job.sayings import cloth, first, frame, projector, room, wall

SAYS = {
    **first.SAYS,
    **room.SAYS,
    **projector.SAYS,
    **frame.SAYS,
    **wall.SAYS,
    **cloth.SAYS,
}
