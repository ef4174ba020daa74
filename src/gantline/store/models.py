"""Tables. Every row carries its shop, so that accounts can come later without a rewrite."""

from datetime import datetime
from typing import Any
from uuid import UUID, uuid4

from sqlalchemy import (
    BigInteger,
    Computed,
    DateTime,
    ForeignKey,
    ForeignKeyConstraint,
    Identity,
    LargeBinary,
    MetaData,
    String,
    Text,
    UniqueConstraint,
    false,
    func,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    """All five constraint names follow one pattern, so that migrations can name them."""

    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_N_name)s",
            "uq": "uq_%(table_name)s_%(column_0_N_name)s",
            "ck": "ck_%(table_name)s_%(constraint_name)s",
            "fk": "fk_%(table_name)s_%(column_0_N_name)s_%(referred_table_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class ShopRow(Base):
    """A firm. The one that everybody works in has the key "own". paper: what its sheets are printed on."""

    __tablename__ = "shop"
    key: Mapped[str | None] = mapped_column(String(20), unique=True)
    id: Mapped[UUID] = mapped_column(primary_key=True, default=uuid4)
    name: Mapped[str] = mapped_column(String(120))
    paper: Mapped[str] = mapped_column(String(10), server_default="a4")


class JobRow(Base):
    """A job: only its head, the number of its newest version. Saving moves the head by one. binned_at: since when, and by
    whom, it lies in the bin; null while it is in the yard."""

    __tablename__ = "job"
    id: Mapped[UUID] = mapped_column(primary_key=True, default=uuid4)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    head: Mapped[int]
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    binned_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    binned_by: Mapped[str | None] = mapped_column(String(120))


# by itself, since a search that reads whole documents takes a second over 10,000 jobs
NAME_AND_PLACE = "coalesce(document->>'name', '') || ' ' || coalesce(document->>'place', '')"


class JobVersionRow(Base):
    """One saved state of a job; never changed. `stands_for` is the version whose state this is: its
    own number, or the one an undo or redo brought back. `parent` is the state it was made from. `card` is
    what the yard shows of it; null: made when it is shown. `edit_key` names the edit it was saved by: sent again,
    it is answered by this version, if it is the same: edit_digest. as_built: whether it says something that was built
    or read; null: not known."""

    __tablename__ = "job_version"
    job_id: Mapped[UUID] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    parent: Mapped[int | None]
    stands_for: Mapped[int]
    what: Mapped[str] = mapped_column(String(200))
    who: Mapped[str] = mapped_column(String(120))
    saved_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    document: Mapped[dict[str, Any]] = mapped_column(JSONB)
    card: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))
    edit_key: Mapped[str | None] = mapped_column(String(64))
    edit_digest: Mapped[str | None] = mapped_column(String(64))
    as_built: Mapped[bool | None]
    found_by: Mapped[str] = mapped_column(Text, Computed(NAME_AND_PLACE, persisted=True))
    __table_args__ = (
        ForeignKeyConstraint(["job_id", "stands_for"], ["job_version.job_id", "job_version.number"]),
        UniqueConstraint("job_id", "edit_key"),
    )


class RecordRow(Base):
    """One of the shop's own records: a fabric, kit, projector or fixing, with open JSON."""

    __tablename__ = "record"
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), primary_key=True)
    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    key: Mapped[str] = mapped_column(String(60), primary_key=True)
    name: Mapped[str] = mapped_column(String(120))
    body: Mapped[dict[str, Any]] = mapped_column(JSONB)


class ReadingRow(Base):
    """One reading of an instrument; never changed. A source numbers its readings, so none comes twice.

    who: by whom it came; sent_as: the number it came under, where that was taken by another value. One that was removed
    keeps its number, and by whom and when that was; its values are gone.
    """

    __tablename__ = "reading"
    job_id: Mapped[UUID] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    source: Mapped[str] = mapped_column(String(60), primary_key=True)
    seq: Mapped[int] = mapped_column(primary_key=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    what: Mapped[str] = mapped_column(String(20))
    x_mm: Mapped[float | None]
    y_mm: Mapped[float | None]
    value_mm: Mapped[float | None]
    taken_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    who: Mapped[str | None] = mapped_column(String(120))
    sent_as: Mapped[int | None]
    removed_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    removed_by: Mapped[str | None] = mapped_column(String(120))


class CastRow(Base):
    """What a projector shows for a job: the pattern, and where its cross stands, shares of the panel from the upper
    left. screen: the window that shows it, as its page told; null: it told nothing yet."""

    __tablename__ = "cast"
    job_id: Mapped[UUID] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), primary_key=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    code: Mapped[str] = mapped_column(String(8), unique=True)
    pattern: Mapped[str] = mapped_column(String(20))
    u: Mapped[float]
    v: Mapped[float]
    screen: Mapped[dict[str, Any] | None] = mapped_column(JSONB(none_as_null=True))


class PhotoRow(Base):
    """A photo, without place or maker: of the lit screen, a gray JPEG, or of a step of the day, a JPEG in color (step: its key,
    who: by whom). raw: as it was sent, until a worker has read it. refused: its corners were not trusted; it stays until the next
    one is sent, so that they can be set by hand. One that was removed keeps by whom and when, and nothing to see."""

    __tablename__ = "photo"
    id: Mapped[UUID] = mapped_column(primary_key=True)
    job_id: Mapped[UUID] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), index=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    content: Mapped[bytes]
    raw: Mapped[bool] = mapped_column(server_default=false())
    refused: Mapped[bool] = mapped_column(server_default=false())
    removed_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    removed_by: Mapped[str | None] = mapped_column(String(120))
    taken_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    step: Mapped[str | None] = mapped_column(String(200))
    who: Mapped[str | None] = mapped_column(String(120))


class StepRow(Base):
    """What happened to a step of the day; only ever added. id: the page's own, so that none counts twice; number: their order.
    act: done, read, impossible, skipped, undone. said: what it was about, the numbers the step wanted then, and what was read;
    text: why it was not possible, or a note; version: of the job that was looked at."""

    __tablename__ = "step_row"
    id: Mapped[UUID] = mapped_column(primary_key=True)
    number: Mapped[int] = mapped_column(BigInteger, Identity())
    job_id: Mapped[UUID] = mapped_column(ForeignKey("job.id", ondelete="CASCADE"), index=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    step: Mapped[str] = mapped_column(String(200))
    act: Mapped[str] = mapped_column(String(12))
    text: Mapped[str] = mapped_column(Text)
    said: Mapped[dict[str, Any]] = mapped_column(JSONB)
    version: Mapped[int]
    who: Mapped[str] = mapped_column(String(120))
    at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class SettingRow(Base):
    """A shop's own value for one default."""

    __tablename__ = "setting"
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), primary_key=True)
    key: Mapped[str] = mapped_column(String(60), primary_key=True)
    value: Mapped[float]


class ResultRow(Base):
    """What heavy work came to, by a digest of its question: the same question again is answered from here.

    state: waiting, working, done, failed. asked_at: when somebody last waited for it; beat_at: when a worker last said
    that it is on it.
    """

    __tablename__ = "result"
    key: Mapped[str] = mapped_column(String(64), primary_key=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    task: Mapped[str] = mapped_column(String(40))
    args: Mapped[dict[str, Any]] = mapped_column(JSONB)
    state: Mapped[str] = mapped_column(String(12))
    progress: Mapped[float]
    trouble: Mapped[str] = mapped_column(Text)
    content: Mapped[bytes | None] = mapped_column(LargeBinary)
    asked_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now(), index=True)
    beat_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class DeviceRow(Base):
    """A phone, tablet or other computer that was paired: its name is who saves, its token is kept as a digest. alike:
    what its name is compared by."""

    __tablename__ = "device"
    id: Mapped[UUID] = mapped_column(primary_key=True, default=uuid4)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    name: Mapped[str] = mapped_column(String(60))
    alike: Mapped[str] = mapped_column(String(60))
    token_digest: Mapped[str] = mapped_column(String(64), unique=True)
    paired_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    seen_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    __table_args__ = (UniqueConstraint("shop_id", "alike"),)


class PairingRow(Base):
    """A code that pairs one device, until it is used or too old."""

    __tablename__ = "pairing"
    code_digest: Mapped[str] = mapped_column(String(64), primary_key=True)
    shop_id: Mapped[UUID] = mapped_column(ForeignKey("shop.id", ondelete="CASCADE"), index=True)
    until: Mapped[datetime] = mapped_column(DateTime(timezone=True))


class BackupRow(Base):
    """A backup that was made by itself. tested: restored, or read where it cannot be; trouble: why there is none, or none that
    is good."""

    __tablename__ = "backup"
    made_at: Mapped[datetime] = mapped_column(
        DateTime(timezone=True), primary_key=True, server_default=func.now()
    )
    file: Mapped[str] = mapped_column(Text)
    bytes: Mapped[int] = mapped_column(BigInteger)
    tested: Mapped[str] = mapped_column(String(20))
    trouble: Mapped[str] = mapped_column(Text)
