"""One reading of a label whose words are parted at the ends of lines, read joined and apart."""

from dataclasses import replace

from yellow_ladle.core.labels.label_reading import LabelReading, Proposal, Word


def merged(joined: LabelReading, apart: LabelReading) -> LabelReading:
    """Both readings of one text, each flag at its higher level.

    A word is unknown where neither reading knows it. The second reading's questions count where it
    raises a level.
    """
    found = {proposal.flag: proposal for proposal in joined.proposals}
    raised = False
    for proposal in apart.proposals:
        if proposal.flag not in found or found[proposal.flag].level < proposal.level:
            found[proposal.flag] = proposal
            raised = True
    questions = (*joined.questions, *(apart.questions if raised else ()))
    return replace(
        joined,
        proposals=tuple(sorted(found.values(), key=_order)),
        questions=tuple(dict.fromkeys(questions)),
        unknown=tuple(word for word in joined.unknown if _unknown_apart(word, apart)),
        understood=joined.understood or apart.understood,
    )


def _unknown_apart(word: Word, apart: LabelReading) -> bool:
    """Whether the other reading does not know a word, or the parts of it, either."""
    return any(word.start <= part.start and part.end <= word.end for part in apart.unknown)


def _order(proposal: Proposal) -> tuple[int, int]:
    return -proposal.level, proposal.because[0].start
