"""What a label's words propose, as the document that `label` prints."""

from typing import Any

from yellow_ladle.core.labels.label_reading import LabelReading, Proposal
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


def _proposal(proposal: Proposal) -> dict[str, Any]:
    return {
        "level": proposal.level.word,
        "because": [
            {"text": why.text, "start": why.start, "end": why.end, "why": why.why}
            for why in proposal.because
        ],
    }
