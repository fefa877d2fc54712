"""A certificate that the kitchen makes for itself, so that phones can reach it over TLS.

Nobody vouches for it: whoever opens the kitchen for the first time compares its fingerprint with
the one that is printed where the kitchen was started.
"""

import os
from collections.abc import Iterable
from datetime import UTC, datetime, timedelta
from ipaddress import ip_address
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

DAYS = 397
"""For how long one holds: the longest that browsers take (CA/Browser Forum, 6.3.2)."""
DAYS_LEFT = 30
"""With fewer days left it is made anew."""


def own_certificate(book: Path, names: Iterable[str]) -> tuple[Path, Path]:
    """The files of a certificate and its key for these names, made anew where there is no such."""
    folder = book.with_name(f"{book.name}.tls")
    certificate, key = folder / "certificate.pem", folder / "key.pem"
    wanted = sorted(set(names))
    if not _holds(certificate, wanted) or not key.exists():
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        made, secret = _made(wanted)
        for path, content in ((key, secret), (certificate, made)):
            opened = os.open(path, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
            with os.fdopen(opened, "wb") as file:
                file.write(content)
    return certificate, key


def fingerprint(certificate: Path) -> str:
    """The SHA-256 fingerprint of a certificate, in pairs as browsers show it."""
    found = x509.load_pem_x509_certificate(certificate.read_bytes())
    return found.fingerprint(hashes.SHA256()).hex(":").upper()


def _holds(certificate: Path, names: list[str]) -> bool:
    try:
        found = x509.load_pem_x509_certificate(certificate.read_bytes())
        held = found.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    except (OSError, ValueError, x509.ExtensionNotFound):
        return False
    left = found.not_valid_after_utc - datetime.now(UTC)
    told = sorted({str(name.value) for name in held})
    return left > timedelta(days=DAYS_LEFT) and told == names


def _made(names: list[str]) -> tuple[bytes, bytes]:
    key = ec.generate_private_key(ec.SECP256R1())
    subject = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Yellow Ladle")])
    now = datetime.now(UTC)
    made = (
        x509.CertificateBuilder()
        .subject_name(subject)
        .issuer_name(subject)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(hours=1))
        .not_valid_after(now + timedelta(days=DAYS))
        .add_extension(x509.SubjectAlternativeName([_name(name) for name in names]), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .sign(key, hashes.SHA256())
    )
    secret = key.private_bytes(
        serialization.Encoding.PEM,
        serialization.PrivateFormat.PKCS8,
        serialization.NoEncryption(),
    )
    return made.public_bytes(serialization.Encoding.PEM), secret


def _name(name: str) -> x509.GeneralName:
    try:
        return x509.IPAddress(ip_address(name))
    except ValueError:
        return x509.DNSName(name)
