"""Which language a label, or a part of it, is written in."""

from collections.abc import Iterable, Sequence

from yellow_ladle.core.labels.damage import repaired
from yellow_ladle.core.words.letters import Token
from yellow_ladle.core.words.lexicon import languages, lexicon

AUTO = "auto"
CLEARLY = 2
"""So many more known words turn a sentence to another language than the label's."""


def language_of(text: Iterable[Token]) -> str:
    """The language whose words the text knows most of; of equals the first, English before all."""
    scores = _scores(text)
    return max(scores, key=lambda id: scores[id])


def is_known(text: Iterable[Token]) -> bool:
    """Whether some language knows a word of the text."""
    return any(_scores(text).values())


def damaged_language_of(text: Sequence[Token], given: str) -> str:
    """The language whose words the text knows most of once its damaged words are put right."""
    scores = {id: _scores(repaired(lexicon(id), text, given))[id] for id in languages()}
    return max(scores, key=lambda id: scores[id])


def parts_by_language(text: Sequence[Token], main: str) -> list[tuple[str, list[Token]]]:
    """The text cut where a sentence clearly speaks another language than the label as a whole."""
    parts: list[tuple[str, list[Token]]] = []
    for sentence in _sentences(text):
        scores = _scores(sentence)
        best = max(scores, key=lambda id: scores[id])
        spoken = best if scores[best] >= scores[main] + CLEARLY else main
        if parts and parts[-1][0] == spoken:
            parts[-1][1].extend(sentence)
        else:
            parts.append((spoken, list(sentence)))
    return parts


def _sentences(text: Sequence[Token]) -> Iterable[list[Token]]:
    sentence: list[Token] = []
    for token in text:
        sentence.append(token)
        if token.kind == "mark" and token.text in ".!?\n":
            yield sentence
            sentence = []
    if sentence:
        yield sentence


def _scores(text: Iterable[Token]) -> dict[str, int]:
    found = [token.text for token in text if token.kind == "word"]
    return {
        id: sum(word in words for word in found)
        for id in languages()
        for words in [lexicon(id).vocabulary]
    }
