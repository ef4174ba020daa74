"""Devices that may come in from beyond this machine: paired once by a code, known afterwards by a token.

Only digests are stored: whoever reads the database can neither pair nor come in.
"""

import hashlib
import secrets
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from uuid import UUID

from sqlalchemy import delete, func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.store.models import DeviceRow, PairingRow
from gantline.store.names import alike

LETTERS = "23456789ABCDEFGHJKMNPQRSTVWXYZ"  # none that is read as another
CODE_LENGTH = 8  # 30^8: with few tries a minute and a short life nobody guesses one
CODE_LASTS = timedelta(minutes=15)
MOST_DEVICES = 200
RESERVED = ("office",)  # whoever saves at the server itself


class NoSuchCode(DesignError):
    """A pairing code that was never given, was used, or is too old."""

    code = "no-such-code"


class NameTaken(DesignError):
    """A name that another device has, or one that reads like it."""

    code = "name-taken"


class NoSuchDevice(DesignError):
    """A device that is not paired."""

    code = "no-such-device"


def new_code(session: Session, shop_id: UUID) -> tuple[str, datetime]:
    """A code that pairs one device, and until when; codes that are over are removed."""
    session.execute(delete(PairingRow).where(PairingRow.until < func.now()))
    letters = "".join(secrets.choice(LETTERS) for _ in range(CODE_LENGTH))
    until = datetime.now(UTC) + CODE_LASTS
    session.add(PairingRow(code_digest=_digest(letters), shop_id=shop_id, until=until))
    return f"{letters[:4]}-{letters[4:]}", until


def pair(session: Session, code: str, name: str) -> str:
    """Use a code up and return the device's token, which is shown to nobody again.

    Args: code, with or without its dash, in letters of either size; name, under which this device saves.
    Raises: NoSuchCode, NameTaken, or DesignError when there are too many devices.
    """
    letters = "".join(one for one in code.upper() if one.isalnum())
    named = select(PairingRow.shop_id).where(
        PairingRow.code_digest == _digest(letters), PairingRow.until >= func.now()
    )
    shop_id = session.scalar(named)
    if shop_id is not None:  # a code is not used up by a name that cannot be had
        _check_name(session, shop_id, name)
    used = session.execute(
        delete(PairingRow)
        .where(PairingRow.code_digest == _digest(letters), PairingRow.until >= func.now())
        .returning(PairingRow.shop_id)
    ).first()
    if used is None:
        raise NoSuchCode("This code is not, or no longer, good. Make a new one under Devices in the yard.")
    if (session.scalar(select(func.count()).select_from(DeviceRow)) or 0) >= MOST_DEVICES:
        raise DesignError(f"{MOST_DEVICES} devices are paired already. Unpair one that is not used any more.")
    token = secrets.token_urlsafe(32)
    row = {"shop_id": used[0], "name": name, "alike": alike(name), "token_digest": _digest(token)}
    added = insert(DeviceRow).values(row).on_conflict_do_nothing().returning(DeviceRow.id)
    if session.scalar(added) is None:  # one of this name was paired at the same moment
        raise _taken(name)
    return token


def _check_name(session: Session, shop_id: UUID, name: str) -> None:
    """That no other device is called so: its name is who saves.  Raises: NameTaken."""
    same = select(DeviceRow.id).where(DeviceRow.shop_id == shop_id, DeviceRow.alike == alike(name))
    if not alike(name) or alike(name) in RESERVED or session.scalar(same) is not None:
        raise _taken(name)


def _taken(name: str) -> NameTaken:
    text = f"A device is called {name} already, or the name reads like another. Choose another one."
    return NameTaken(text, field="name")


def device_of(session: Session, token: str) -> tuple[UUID, str] | None:
    """Id and name of the device with this token, marked as seen; None if it is not, or no longer, paired."""
    row = session.scalar(select(DeviceRow).where(DeviceRow.token_digest == _digest(token)))
    if row is None:
        return None
    if datetime.now(UTC) - row.seen_at > timedelta(minutes=1):
        row.seen_at = datetime.now(UTC)
    return row.id, row.name


def still_paired(session: Session, asked: Sequence[UUID]) -> set[UUID]:
    """Which of these devices are paired now."""
    return set(session.scalars(select(DeviceRow.id).where(DeviceRow.id.in_(asked))))


def listed(session: Session, shop_id: UUID) -> Sequence[DeviceRow]:
    """All paired devices, the one seen last first."""
    chosen = (
        select(DeviceRow).where(DeviceRow.shop_id == shop_id).order_by(DeviceRow.seen_at.desc(), DeviceRow.id)
    )
    return session.scalars(chosen).all()


def unpair(session: Session, shop_id: UUID, device_id: UUID) -> None:
    """Let a device in no longer.  Raises: NoSuchDevice."""
    gone = delete(DeviceRow).where(DeviceRow.shop_id == shop_id, DeviceRow.id == device_id)
    if session.execute(gone.returning(DeviceRow.id)).first() is None:
        raise NoSuchDevice("This device is not paired any more.")


def _digest(secret: str) -> str:
    # long random secrets, and codes that live for minutes: no slow hash is needed
    return hashlib.sha256(secret.encode()).hexdigest()
