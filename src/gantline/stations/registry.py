"""The line of stations, in the order of the day. The one place that names them all."""

from collections.abc import Mapping

from gantline.plan.code import Coded
from gantline.plan.plan import MEASURE
from gantline.plan.station import Station
from gantline.plan.strays import PAST_END, TOO_MUCH
from gantline.stations.align.codes import Code as AlignCode
from gantline.stations.align.station import ALIGN
from gantline.stations.day.findings import Code as DayCode
from gantline.stations.day.station import DAY
from gantline.stations.frame.codes import Code as FrameCode
from gantline.stations.frame.station import FRAME
from gantline.stations.hang.codes import Code as HangCode
from gantline.stations.hang.station import HANG
from gantline.stations.height.findings import Code as HeightCode
from gantline.stations.height.station import HEIGHT
from gantline.stations.light.findings import Code as LightCode
from gantline.stations.light.station import LIGHT
from gantline.stations.size.findings import Code as SizeCode
from gantline.stations.size.station import SIZE
from gantline.stations.survey.findings import Code as SurveyCode
from gantline.stations.survey.station import SURVEY
from gantline.stations.tension.findings import Code as TensionCode
from gantline.stations.tension.station import TENSION
from gantline.stations.throw.codes import Code as ThrowCode
from gantline.stations.throw.station import THROW
from gantline.stations.trim.findings import Code as TrimCode
from gantline.stations.trim.station import TRIM
from gantline.stations.wall.codes import Code as WallCode
from gantline.stations.wall.station import WALL

STATIONS: tuple[Station, ...] = (
    SURVEY,
    SIZE,
    LIGHT,
    HEIGHT,
    THROW,
    FRAME,
    WALL,
    TENSION,
    TRIM,
    HANG,
    ALIGN,
    DAY,
)
BY_KEY: Mapping[str, Station] = {station.key: station for station in STATIONS}
CODES: Mapping[str, type[Coded]] = {
    "survey": SurveyCode,
    "size": SizeCode,
    "light": LightCode,
    "height": HeightCode,
    "throw": ThrowCode,
    "frame": FrameCode,
    "wall": WallCode,
    "tension": TensionCode,
    "trim": TrimCode,
    "hang": HangCode,
    "align": AlignCode,
    "day": DayCode,
}
ALL_CODES = frozenset(
    {MEASURE, PAST_END, TOO_MUCH, *(code.value for kind in CODES.values() for code in kind)}
)
