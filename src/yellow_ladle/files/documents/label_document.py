"""What a label's words propose, as the document that `label` prints."""

from collections.abc import Iterable
from typing import Any

from yellow_ladle.core.labels.label_reading import FlagProposal, LabelReading, Word
from yellow_ladle.core.vocabulary.flags import shipped_flags

FORMAT = "yellow-ladle-label"
VERSION = 1


def label_content(reading: LabelReading) -> dict[str, Any]:
    """Every flag that the text speaks for, in the order of the vocabulary, and the questions."""
    proposals = {proposal.flag: proposal for proposal in reading.proposals}
    return {
        "format": FORMAT,
        "version": VERSION,
        "flags": {
            flag.id: _proposal(proposals[flag.id])
            for flag in shipped_flags()
            if flag.id in proposals
        },
        "questions": list(reading.questions),
        "unknown": [
            {"text": word.text, "start": word.start, "end": word.end} for word in reading.unknown
        ],
        "complete": reading.complete,
    }


def picture_content(
    reading: LabelReading, text: str, uncertain: Iterable[Word], questions: Iterable[str]
) -> dict[str, Any]:
    """A label that was read from a picture: never complete, as nobody has compared it yet."""
    found = {(word.start, word.end): word.text for word in uncertain}
    content = label_content(reading)
    return {
        **content,
        "questions": [*content["questions"], *questions],
        "complete": False,
        "text": text,
        "uncertain": [
            {"text": told, "start": start, "end": end}
            for (start, end), told in sorted(found.items())
        ],
    }


def _proposal(proposal: FlagProposal) -> dict[str, Any]:
    return {
        "level": proposal.level.word,
        "because": [
            {"text": why.text, "start": why.start, "end": why.end, "why": why.why}
            for why in proposal.because
        ],
    }
