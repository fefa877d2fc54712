"""The passphrase of a kitchen that is reached from other machines, and the devices it let in.

Of the passphrase only an argon2id hash is kept, beside the book (RFC 9106). A device that gave it
once bears a token of its own: a random name, signed with a key that is made anew with every new
passphrase, so that a new one asks every device again.
"""

import hmac
import json
import os
import secrets
from base64 import urlsafe_b64decode, urlsafe_b64encode
from dataclasses import asdict, dataclass
from hashlib import sha256
from pathlib import Path
from threading import Lock
from time import monotonic

from argon2 import PasswordHasher
from argon2.exceptions import Argon2Error, InvalidHashError

MIN_LETTERS = 8
TRIES = 5
"""Wrong passphrases from one address before it has to wait."""
TRIES_OF_ALL = 50
"""Wrong passphrases from all addresses together: an attacker may have many."""
SECONDS_TO_WAIT = 60.0
MAX_LETTERS = 1_000


class TooManyTries(Exception):
    """So many wrong passphrases that the next one is not looked at."""

    def __init__(self) -> None:
        super().__init__(
            f"Too many wrong passphrases. Wait {SECONDS_TO_WAIT:.0f} seconds and try again."
        )


class TooShort(ValueError):
    """A passphrase that would be guessed."""

    def __init__(self) -> None:
        super().__init__(f"the passphrase has to have {MIN_LETTERS} letters at least")


@dataclass(frozen=True, slots=True)
class _Kept:
    hash: str
    key: str


class Passphrase:
    """Checks passphrases and tokens. Safe to use from several threads."""

    def __init__(self, kept: _Kept) -> None:
        self._hash = kept.hash
        self._key = urlsafe_b64decode(kept.key)
        self._hasher = PasswordHasher()
        self._wrong: dict[str, list[float]] = {}
        self._lock = Lock()

    @classmethod
    def of(cls, book: Path, given: str) -> "Passphrase":
        """The one given for a book. Devices stay let in where it is the same as before.

        Raises TooShort.
        """
        if len(given) < MIN_LETTERS:
            raise TooShort
        place, hasher = file_of(book), PasswordHasher()
        try:
            kept = _Kept(**json.loads(place.read_text("utf-8")))
            hasher.verify(kept.hash, given)
        except (OSError, ValueError, TypeError, Argon2Error, InvalidHashError):
            kept = _Kept(hasher.hash(given), urlsafe_b64encode(secrets.token_bytes(32)).decode())
            place.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
            opened = os.open(place, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
            with os.fdopen(opened, "w", encoding="utf-8") as file:
                json.dump(asdict(kept), file)
        return cls(kept)

    def let_in(self, given: str, address: str) -> str | None:
        """A token for a device that gives the passphrase; None where it is wrong.

        `address` is where it asks from. Raises TooManyTries.
        """
        with self._lock:
            now = monotonic()
            self._forget(now)
            mine = self._wrong.get(address, [])
            if len(mine) >= TRIES or sum(map(len, self._wrong.values())) >= TRIES_OF_ALL:
                raise TooManyTries
            # Noted before it is looked at: tries that are made at once count each.
            self._wrong.setdefault(address, []).append(now)
        try:
            self._hasher.verify(self._hash, given[:MAX_LETTERS])
        except (Argon2Error, InvalidHashError):
            return None
        with self._lock:
            self._wrong.pop(address, None)
        name = secrets.token_urlsafe(16)
        return f"{name}.{self._signed(name)}"

    def knows(self, token: str) -> bool:
        """Whether a token is of a device that was let in by this passphrase."""
        name, _, signed = token.partition(".")
        return hmac.compare_digest(self._signed(name).encode(), signed.encode())

    def _signed(self, name: str) -> str:
        return hmac.new(self._key, name.encode(), sha256).hexdigest()

    def _forget(self, now: float) -> None:
        for address, times in list(self._wrong.items()):
            kept = [at for at in times if now - at < SECONDS_TO_WAIT]
            if kept:
                self._wrong[address] = kept
            else:
                del self._wrong[address]


def file_of(book: Path) -> Path:
    """Where the hash and the key are kept: beside the book."""
    return book.with_name(f"{book.name}.door")
