"""One reading of a label whose words are parted at the ends of lines, read joined and apart."""

from dataclasses import replace

from yellow_ladle.core.labels.label_reading import FlagProposal, LabelReading, Word
from yellow_ladle.core.vocabulary.levels import Level


def merged(joined: LabelReading, apart: LabelReading) -> LabelReading:
    """Both readings of one text, each flag at its higher level.

    A word is unknown where neither reading knows it. The second reading's questions count where it
    raises a level.
    """
    found = {proposal.flag: proposal for proposal in joined.proposals}
    raised = False
    for proposal in apart.proposals:
        known = found.get(proposal.flag)
        if known is None or known.level < proposal.level:
            found[proposal.flag] = _with_traces(proposal, known)
            raised = True
        else:
            found[proposal.flag] = _with_traces(known, proposal)
    questions = (*joined.questions, *(apart.questions if raised else ()))
    return replace(
        joined,
        proposals=tuple(sorted(found.values(), key=_order)),
        questions=tuple(dict.fromkeys(questions)),
        unknown=tuple(word for word in joined.unknown if _unknown_apart(word, apart)),
        understood=joined.understood or apart.understood,
    )


def _with_traces(higher: FlagProposal, lower: FlagProposal | None) -> FlagProposal:
    """What one reading proposes, with the trace that the other one found beneath a hidden thing."""
    if lower is None or higher.level is not Level.UNCHECKED or higher.traces:
        return higher
    traces = lower.because if lower.level is Level.MAY_CONTAIN else lower.traces
    return replace(higher, because=(*higher.because, *traces), traces=traces) if traces else higher


def _unknown_apart(word: Word, apart: LabelReading) -> bool:
    """Whether the other reading does not know a word, or the parts of it, either."""
    return any(word.start <= part.start and part.end <= word.end for part in apart.unknown)


def _order(proposal: FlagProposal) -> tuple[int, int]:
    return -proposal.level, proposal.because[0].start
