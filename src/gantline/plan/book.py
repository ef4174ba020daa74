"""The book a plan is written into: figures and findings, with what rests on what."""

from collections.abc import Sequence

from gantline.core.defaults import Shop
from gantline.core.units import Units, exact_text, length_text, read_tape
from gantline.job.document import Job
from gantline.job.fields import LONGEST_MM
from gantline.plan.figures import (
    Change,
    Choice,
    Cure,
    Entry,
    FieldKind,
    Figure,
    Finding,
    Known,
    Severity,
    StationKey,
    ToMeasure,
    Value,
    Working,
)

STANDS_IN = Working(
    formula="not entered, so the default stands in", substituted="", result="", rounding="", source="shop default"
)
UNSAID = Working(formula="", substituted="", result="", rounding="", source="")
TYPED = Working(formula="entered", substituted="", result="", rounding="", source="entered for this job")


class Book:
    """Collects what the stations find out. One job, one shop, one book."""

    def __init__(self, job: Job, shop: Shop, *, brief: bool = False) -> None:
        self.job, self.shop, self.brief = job, shop, brief
        self.units: Units = job.units.to_core()
        self.figures: dict[str, Figure] = {}
        self.findings: list[Finding] = []
        self.to_measure: list[ToMeasure] = []

    def text(self, length_mm: float) -> str:
        """A length as the job writes it, rounded to the tape."""
        return length_text(length_mm, self.units)

    def exact(self, length_mm: float) -> str:
        """A length for a working: finer than the tape. A brief book shows no workings."""
        return "" if self.brief else exact_text(length_mm, self.units)

    def known(self, pointer: str, natural: Known) -> Known:
        """How an entered field is known: the job's own word, or the field's natural kind."""
        return self.job.known.get(pointer, natural)

    def length(
        self, key: str, station: StationKey, label: str, pointer: str, value: float | None, default: str, effect: str = ""
    ) -> float:
        """An entered length [mm], or the shop default, which then counts as assumed."""
        if value is None:
            known: Known = "assumed"
            length_mm = self.shop[default]
            working = Working(
                formula="not entered, so the default stands in",
                substituted="",
                result=self.exact(length_mm),
                rounding="",
                source=self.shop.source(default),
            )
        else:
            length_mm, known, working = value, self.known(pointer, _natural(station)), TYPED
        said = known == "assumed" and effect
        text = self.text(length_mm) if said or not self.brief else ""
        figure = Figure(
            key=key, station=station, label=label, value=length_mm, unit="mm", text=text, known=known,
            working=working, rests_on=(key,) if known == "assumed" else (), entry=Entry(pointer, "length", (), True),
        )  # fmt: skip
        self.figures[key] = figure
        if said:
            self.to_measure.append(ToMeasure(label=label, text=text, effect=effect, pointer=pointer))
        return length_mm

    def entered(
        self, key: str, station: StationKey, label: str, pointer: str, value: Value, text: str, kind: FieldKind,
        choices: Sequence[tuple[str, str]] = (), *, optional: bool = False, known: Known | None = None,
    ) -> None:  # fmt: skip
        """An entered field that is no length."""
        self.figures[key] = Figure(
            key=key, station=station, label=label, value=value, unit="", text=text,
            working=STANDS_IN if known == "assumed" else TYPED, known=known or self.known(pointer, _natural(station)),
            rests_on=(key,) if known == "assumed" else (),
            entry=Entry(pointer, kind, tuple(Choice(*choice) for choice in choices), optional),
        )  # fmt: skip

    def blank(self, key: str, station: StationKey, label: str, pointer: str, kind: FieldKind) -> None:
        """A field that has no value and no default yet."""
        self.figures[key] = Figure(
            key=key, station=station, label=label, value=None, unit="mm" if kind == "length" else "", text="",
            known="assumed", working=TYPED, entry=Entry(pointer, kind, (), True),
        )  # fmt: skip

    def computed(
        self, key: str, station: StationKey, label: str, length_mm: float, formula: str, substituted: str,
        inputs: Sequence[str], source: str, *, entry: Entry | None = None,
    ) -> None:  # fmt: skip
        """A computed length [mm], rounded to the tape once, with its working; a brief book keeps the value alone."""
        if self.brief:
            self.figures[key] = Figure(
                key=key, station=station, label=label, value=length_mm, unit="mm", text="", known="computed",
                working=UNSAID, rests_on=self.assumed_among(inputs), entry=entry,
            )  # fmt: skip
            return
        read = read_tape(length_mm, self.units)
        off = abs(read.error_mm)
        word = "long" if read.error_mm > 0 else "short"
        rounding = f"on the tape {read.text}" + (f", {off:.2f} mm {word}" if off >= 0.005 else ", exact")
        self.figures[key] = Figure(
            key=key, station=station, label=label, value=length_mm, unit="mm", text=read.text, known="computed",
            working=Working(
                formula=formula, substituted=substituted, result=self.exact(length_mm), rounding=rounding, source=source
            ),
            rests_on=self.assumed_among(inputs), entry=entry,
        )  # fmt: skip

    def ratio(
        self, key: str, station: StationKey, label: str, value: float, text: str, formula: str, substituted: str,
        inputs: Sequence[str], source: str, *, entry: Entry | None = None,
    ) -> None:  # fmt: skip
        """A computed figure without a length unit; its text is made by the caller."""
        self.figures[key] = Figure(
            key=key, station=station, label=label, value=value, unit="", text=text, known="computed",
            working=Working(formula=formula, substituted=substituted, result=text, rounding="", source=source),
            rests_on=self.assumed_among(inputs), entry=entry,
        )  # fmt: skip

    def assumed_among(self, keys: Sequence[str]) -> tuple[str, ...]:
        """The assumed figures that any of these rest on, in order, once each."""
        rests = (name for key in keys if key in self.figures for name in self.figures[key].rests_on)
        return tuple(dict.fromkeys(rests))

    def find(
        self, code: str, station: StationKey, severity: Severity, text: str, numbers: dict[str, float] | None = None,
        cures: Sequence[Cure] = (),
    ) -> None:  # fmt: skip
        """Note a finding; a cure that would ask for an impossible length is not offered."""
        cures = [one for one in cures if all(_possible(change) for change in one.changes)]
        self.findings.append(
            Finding(code=code, station=station, severity=severity, text=text, numbers=numbers or {}, cures=tuple(cures))
        )

    def get(self, key: str) -> str:
        """The exact text of a figure already written, for a working."""
        figure = self.figures[key]
        return self.exact(figure.value) if isinstance(figure.value, float) and figure.unit == "mm" else figure.text


def cure(text: str, **changes: Value) -> Cure:
    """A cure; changes are pointers written with __ for the slash, e.g. height__wish_mm=2300.0."""
    listed = (Change(pointer="/" + name.replace("__", "/"), value=value) for name, value in changes.items())
    return Cure(text=text, changes=tuple(listed))


def _possible(change: Change) -> bool:
    length = isinstance(change.value, float) and change.pointer.endswith("_mm")
    return not length or 0.0 <= float(str(change.value)) <= LONGEST_MM


def _natural(station: StationKey) -> Known:
    return "measured" if station == "survey" else "decided"
