"""A backup under a passphrase: nobody without it reads or alters a byte of the file unseen.

scrypt makes the key; AES-256-GCM seals pieces of a mebibyte, each with its number and whether it is the last, so that
none can be left out, put elsewhere or cut off. Leaves out: hiding how large the backup is, and a passphrase that can
be guessed.
"""

import secrets
from pathlib import Path
from typing import IO

from cryptography.exceptions import InvalidTag
from cryptography.hazmat.primitives.ciphers.aead import AESGCM
from cryptography.hazmat.primitives.kdf.scrypt import Scrypt

BEGINS = b"gantline sealed backup 1\n"
SALT, NONCE, PIECE, TAG = 16, 8, 2**20, 16
COST = 2**15


class NotOpened(ValueError):
    """A sealed file that this passphrase does not open, or that was altered."""


def _cipher(passphrase: str, salt: bytes) -> AESGCM:
    return AESGCM(Scrypt(salt=salt, length=32, n=COST, r=8, p=1).derive(passphrase.encode()))


def is_sealed(file: Path) -> bool:
    """Whether a file is one of these."""
    with file.open("rb") as handle:
        return handle.read(len(BEGINS)) == BEGINS


def seal(plain: IO[bytes], sealed: IO[bytes], passphrase: str) -> None:
    """Write a file sealed."""
    salt, nonce = secrets.token_bytes(SALT), secrets.token_bytes(NONCE)
    cipher = _cipher(passphrase, salt)
    sealed.write(BEGINS + salt + nonce)
    number, piece = 0, plain.read(PIECE)
    while True:
        following = plain.read(PIECE)
        last = b"\x01" if not following else b"\x00"
        sealed.write(cipher.encrypt(nonce + number.to_bytes(4, "big"), piece, last))
        if not following:
            return
        number, piece = number + 1, following


def unseal(sealed: IO[bytes], plain: IO[bytes], passphrase: str) -> None:
    """Write a sealed file plain.  Raises: NotOpened; what was written by then is to be thrown away."""
    head = sealed.read(len(BEGINS) + SALT + NONCE)
    salt, nonce = head[len(BEGINS) : -NONCE], head[-NONCE:]
    cipher = _cipher(passphrase, salt)
    number, piece = 0, sealed.read(PIECE + TAG)
    try:
        while True:
            following = sealed.read(PIECE + TAG)
            last = b"\x01" if not following else b"\x00"
            plain.write(cipher.decrypt(nonce + number.to_bytes(4, "big"), piece, last))
            if not following:
                return
            number, piece = number + 1, following
    except InvalidTag:
        raise NotOpened("The passphrase does not open this backup, or the file was altered.") from None
