"""Names that people type: each has to be seen, and to read as what it is."""

from collections.abc import Iterator
from unicodedata import category

from yellow_ladle.core.book.fault import Fault

JOINERS = frozenset("\u200c\u200d")
"""Signs that nobody sees and that some scripts are written with."""
BLANKS = frozenset("\u115f\u1160\u2800\u3164\uffa0")
"""Letters by their class that show nothing (Unicode's Default_Ignorable fillers, empty braille)."""
UNSEEN = ("Cc", "Cf", "Co", "Cs", "Cn", "Zl", "Zp")
"""Classes of signs that are not seen or turn the direction of writing."""


def name_faults(place: str, name: str) -> Iterator[Fault]:
    """What keeps a name from being read: signs that nobody sees, or nothing but blanks."""
    here = f"{place}.name" if place else "name"
    unseen = [
        sign
        for sign in dict.fromkeys(name)
        if sign in BLANKS or (category(sign) in UNSEEN and sign not in JOINERS)
    ]
    for sign in unseen:
        message = f"it holds a sign that nobody sees (U+{ord(sign):04X}); take it out"
        yield Fault(here, message)
    if not unseen and not name.strip().strip("".join(JOINERS)):
        yield Fault(here, "it is empty, or holds nothing but blanks; give it a name")
