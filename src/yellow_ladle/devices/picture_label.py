"""A label out of a photograph: what its words propose, and which of them have to be looked at."""

from collections.abc import Sequence
from dataclasses import dataclass

from yellow_ladle.core.labels.label_reading import LabelReading, Word
from yellow_ladle.core.labels.languages import AUTO
from yellow_ladle.core.labels.misread import near_a_flag
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.flags import Flag
from yellow_ladle.devices.picture_reader import UNREAD, PictureText, read_picture
from yellow_ladle.files.picture_frame import WHOLE_PICTURE, Frame


@dataclass(frozen=True, slots=True)
class PictureLabel:
    """A label as it was read in a picture. `uncertain` words are marked for whoever compares it.

    It is never complete: only a person who compared it with the jar can say that.
    """

    found: PictureText
    reading: LabelReading
    uncertain: tuple[Word, ...]
    questions: tuple[str, ...]

    @property
    def text(self) -> str:
        """The words as they were read."""
        return self.found.text


def label_of_picture(
    content: bytes,
    language: str = AUTO,
    regime: str = "eu-14",
    frame: Frame = WHOLE_PICTURE,
    house_flags: Sequence[Flag] = (),
) -> PictureLabel:
    """Reads the framed part of a picture of a label.

    Raises ReaderMissing, and BookRefused where it cannot be read.
    """
    found = read_picture(content, language, frame)
    reading = read_label(found.text, found.language, regime, house_flags)
    words = [Word(word.text, word.start, word.end) for word in found.uncertain]
    uncertain = dict.fromkeys((*words, *near_a_flag(reading)))
    ordered = tuple(sorted(uncertain, key=lambda word: (word.start, word.end)))
    return PictureLabel(found, reading, ordered, (UNREAD,) if found.unread else ())
