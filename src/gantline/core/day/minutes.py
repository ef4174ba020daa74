"""How long a step usually takes [min], for a crew that has done it before and a screen of 2.2 to 2.7 m.

Source: usual times of the trade, told by step; a stretch adds up to what crews plan for it (a kit's frame 25, stapling 130,
springs or lugs 45, snaps 50, lacing 70, border tape 35, backlight 90, hanging 15, centering 10, aligning 40, handover 25).
Leaves out: a crew's own pace, the way to the room, what goes wrong.
"""

A_HOLE = 4.0
A_SCREW = 3.0
A_CUT = 6.0
A_BRACE = 4.0  # four screws
A_STAPLE = 0.35
A_POINT = {"spring": 0.6, "lug": 0.5, "snap": 0.8, "lace": 0.7, "pin": 0.8, "staple": A_STAPLE, "tack": 0.5}
THREADED = 0.3  # a point that is only threaded
READING = 1.0
GLUE_IDLE = 60.0
REST_IDLE = 120.0  # fabric lying out flat
WARM_IDLE = 20.0
DAY_IDLE = 24.0 * 60.0
WEEK_IDLE = 7.0 * DAY_IDLE
