"""A certificate of our own making, for a shop that has none: it encrypts, but no device knows who made it.

A device shows a warning once; that it is the right one is seen by comparing the fingerprint that the start prints.
"""

import ipaddress
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

from gantline.datafolder import write

LASTS = timedelta(days=397)  # browsers refuse longer ones
RENEWED_BEFORE = timedelta(days=30)


def own(folder: Path, names: Sequence[str]) -> tuple[Path, Path]:
    """Certificate and key (PEM) for these names and addresses, made anew when they change or the time runs out.

    Raises: OSError where they cannot be written.
    """
    certificate, key = folder / "certificate.pem", folder / "certificate.key"
    if not _still_good(certificate, key, names):
        private = ec.generate_private_key(ec.SECP256R1())
        plain = private.private_bytes(
            serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
        )
        write(key, plain.decode())
        write(
            certificate,
            _signed(private, names).public_bytes(serialization.Encoding.PEM).decode(),
        )
    return certificate, key


def fingerprint(certificate: Path) -> str:
    """SHA-256 of a certificate in pairs of digits, as browsers show it.  Raises: OSError, ValueError."""
    digest = (
        x509.load_pem_x509_certificate(certificate.read_bytes()).fingerprint(hashes.SHA256()).hex().upper()
    )
    return ":".join(digest[at : at + 2] for at in range(0, len(digest), 2))


def _still_good(certificate: Path, key: Path, names: Sequence[str]) -> bool:
    try:
        present = x509.load_pem_x509_certificate(certificate.read_bytes())
        its_key = serialization.load_pem_private_key(key.read_bytes(), None)
        said = present.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    except (OSError, ValueError, x509.ExtensionNotFound):
        return False
    young = datetime.now(UTC) < present.not_valid_after_utc - RENEWED_BEFORE
    return young and said == _alternatives(names) and its_key.public_key() == present.public_key()


def _alternatives(names: Sequence[str]) -> x509.SubjectAlternativeName:
    return x509.SubjectAlternativeName([_name(name) for name in names])


def _name(name: str) -> x509.GeneralName:
    try:
        return x509.IPAddress(ipaddress.ip_address(name))
    except ValueError:
        return x509.DNSName(name)


def _signed(key: ec.EllipticCurvePrivateKey, names: Sequence[str]) -> x509.Certificate:
    who = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Gantline of this shop")])
    now = datetime.now(UTC)
    return (
        x509.CertificateBuilder()
        .subject_name(who)
        .issuer_name(who)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))
        .not_valid_after(now + LASTS)
        .add_extension(_alternatives(names), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .sign(key, hashes.SHA256())
    )
