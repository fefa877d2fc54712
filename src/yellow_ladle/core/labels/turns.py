"""What each part of a label's text is: ingredients, a precaution, a claim, or advice."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yellow_ladle.core.labels.hits import forms, hits
from yellow_ladle.core.labels.sites import ENDS, NEAR, mark_sites
from yellow_ladle.core.labels.yes_no_tables import answers
from yellow_ladle.core.words.letters import CLOSING, OPENING, Token
from yellow_ladle.core.words.lexicon import Lexicon

ENDS_AND_SEMICOLON = ENDS | {";"}
MAX_PHRASE = 12
CLAIMS = ("free", "suitable")
"""What says that something is not there. Such a claim reaches no further than its own phrase: a
flag that is lost behind it would be taken as free."""
CLOSED = ("precaution", "unsuitable")
"""What a "free from" cannot turn: "we cannot guarantee that it is free from peanuts"."""


@dataclass(frozen=True, slots=True)
class Turn:
    """A part of the text, as its tokens' places, and what it is.

    `mode`: ingredients, contains, precaution, site, unsuitable, suitable, free, or aside; apart is
    ingredients that do not belong to what stands before them.
    `phrase`: the places of the words that turned it, first and one past the last.
    """

    mode: str
    places: tuple[int, ...]
    phrase: tuple[int, int] | None = None


class _Walk:
    """Goes through the tokens once; brackets keep what held outside of them."""

    def __init__(self, lexicon: Lexicon, text: Sequence[Token]) -> None:
        self.lexicon, self.text = lexicon, text
        self.modes: list[str] = ["ingredients"] * len(text)
        self.phrases: list[tuple[int, int] | None] = [None] * len(text)
        self.phrase: tuple[int, int] | None = None
        self.mode = "ingredients"
        self.outside: list[tuple[str, tuple[int, int] | None]] = []
        self.begins = True
        self.listed = False
        self.whole = False

    def walk(self) -> None:
        here = 0
        while here < len(self.text):
            token = self.text[here]
            if token.kind == "mark":
                self._mark(here, token.text)
                here += 1
                continue
            if contrast := self._contrast(here):
                self._turn("apart", here, contrast)
                here += contrast
                continue
            kind, length = self._phrase(here)
            if kind:
                self._turn(kind, here, length)
            else:
                for place in range(here, here + max(length, 1)):
                    self._set(place)
            here += max(length, 1)
            self.begins = False

    def _set(self, here: int) -> None:
        self.modes[here], self.phrases[here] = self.mode, self.phrase

    def _mark(self, here: int, sign: str) -> None:
        self._set(here)
        if sign in OPENING:
            self.outside.append((self.mode, self.phrase))
            self.begins = True
        elif sign in CLOSING:
            self.mode, self.phrase = self.outside.pop() if self.outside else ("ingredients", None)
        elif sign in ENDS and not (sign == "\n" and self._goes_on(here)):
            held = self.outside[-1] if self.outside else ("ingredients", None)
            self.mode, self.phrase = held
            self.begins, self.listed = True, False
        elif sign == ";" and self.mode in CLAIMS:
            self.mode, self.phrase = "ingredients", None
        elif sign == ";":
            # Where semicolons part the ingredients, a precaution among them ends at the next one,
            # and any precaution at a good.
            if self.mode in CLOSED and (self.listed or not self._bare_item(here + 1)):
                self.mode, self.phrase = "ingredients", None
            self.listed = self.listed or self.mode == "ingredients"
        elif sign in ",:" and self.mode in CLAIMS and self._claim_ends(here):
            self.mode, self.phrase = "ingredients", None

    def _goes_on(self, here: int) -> bool:
        """Whether a line break stands within a list or right after the words that turn it."""
        before = here - 1
        if before < 0:
            return False
        token = self.text[before]
        if token.kind == "mark":
            return token.text in ",:;" or token.text in OPENING
        joins = self.lexicon.has("joiners", token.text)
        return joins or (self.phrase is not None and self.phrase[1] == here)

    def _phrase(self, here: int) -> tuple[str, int]:
        """What turns the text here and its length, or no kind and the length of a name."""
        run: list[str] = []
        for token in self.text[here : here + MAX_PHRASE]:
            if not token.names:
                break
            run.append(token.text)
        opens = self.text[here].text in self.lexicon.openers
        if opens and (ignored := self._ignored(here)):
            return "ignore", ignored
        # What turns the text may be a part of a name: "cereals containing gluten", "free range".
        named = self._name(run)
        for size in range(len(run) if opens else 0, 0, -1):
            key = tuple(run[:size])
            if size <= named:
                break
            if kind := self.lexicon.phrases.get(key):
                return kind, size
        return "", named

    def _contrast(self, here: int) -> int:
        """The length of an "except" or "but" that ends a claim here, or 0."""
        if self.mode not in CLAIMS and not self._claimed(here - 1):
            return 0
        run = tuple(token.text for token in self.text[here : here + MAX_PHRASE])
        sizes = range(MAX_PHRASE, 0, -1)
        return next((n for n in sizes if run[:n] in self.lexicon.lists["contrast"]), 0)

    def _claimed(self, here: int) -> bool:
        """Whether a word ends a claim: the "free" of "dairy free", or "milchfrei"."""
        if here < 0 or self.text[here].kind != "word":
            return False
        word = self.text[here].text
        if self.lexicon.has("free_after", word):
            return True
        return any(hit.entry.free for hit in hits(self.lexicon, [self.text[here]]))

    def _name(self, run: Sequence[str]) -> int:
        """The length of the name of two words or more that begins here, or 0."""
        most = min(self.lexicon.longest.get(run[0], 0), len(run)) if run else 0
        sizes = (size for size in range(most, 1, -1) if tuple(run[:size]) in self.lexicon.entries)
        return next(sizes, 0)

    def _ignored(self, here: int) -> int:
        """The length of "for allergens, including …, see ingredients in bold", commas or not."""
        words: list[str] = []
        longest = 0
        for place, token in enumerate(self.text[here : here + MAX_PHRASE + 4], 1):
            if token.kind == "mark" and token.text != ",":
                break
            if token.names:
                words.append(token.text)
                if self.lexicon.phrases.get(tuple(words)) == "ignore":
                    longest = place
        return longest

    def _turn(self, kind: str, here: int, length: int) -> None:
        phrase = (here, here + length)
        if kind == "aside" and not self._is_advice(here, length):
            kind = ""
        if kind == "free_before" and self.mode in CLOSED:
            kind = ""
        if kind == "free_before" and here > 0:
            denied = self.lexicon.has("denied", self.text[here - 1].text)
            kind = "precaution" if denied else kind
        if kind == "contains" and self.mode in CLOSED and not self._says_contains(here):
            kind = ""
        if kind in ("precaution_sentence", ""):
            for place in range(here, here + length):
                self._set(place)
            if kind:
                self._back(here, phrase)
            return
        if kind == "ignore":
            for place in range(here, here + length):
                self.modes[place], self.phrases[place] = "aside", phrase
            return
        self.mode = {"heading": "ingredients", "free_before": "free"}.get(kind, kind)
        self.phrase = phrase
        # A "contains" that opens brackets stays in them: it says that they do not list all.
        opens = kind == "contains" and here > 0 and self.text[here - 1].text in OPENING
        for place in range(here, here + length):
            self.modes[place], self.phrases[place] = kind if opens else "phrase", phrase
        if kind in ("free_before", "suitable"):
            self.whole = self._opens_a_list(here, length)

    def _says_contains(self, here: int) -> bool:
        """Whether a "contains" opens a statement of its own and does not close a precaution."""
        return self.phrase is not None and here > self.phrase[1]

    def _is_advice(self, here: int, length: int) -> bool:
        after = self.text[here + length].text if here + length < len(self.text) else ""
        return self.begins and (length > 1 or after == ":")

    def _opens_a_list(self, here: int, length: int) -> bool:
        """Whether a claim may go on over commas: it opens the sentence, or nearly so.

        One that takes a list does ("free from", "does not contain:"); any other only where nothing
        but bare names come to the end. "Chocolate without milk, hazelnuts" claims nothing of
        hazelnuts, and "contains no nuts, wheat, water" nothing of wheat.
        """
        claim = tuple(token.text for token in self.text[here : here + length])
        sentence = claim in self.lexicon.lists["free_list"] and self._near_the_start(here)
        if not (self.begins or sentence):
            return False
        start = here + length
        opened = start < len(self.text) and self.text[start].text == ":"
        if opened or claim in self.lexicon.lists["free_from"]:
            return True
        end = start
        while end < len(self.text) and self.text[end].text not in ENDS_AND_SEMICOLON:
            end += 1
        return self._bare(start, end)

    def _near_the_start(self, here: int) -> bool:
        """Whether only some words and no mark stand before it: "this product does not contain"."""
        before = self.text[max(0, here - NEAR - 1) : here]
        last = max((n for n, token in enumerate(before) if token.kind == "mark"), default=-1)
        opens = last >= 0 and before[last].text in ENDS
        return (opens or here <= NEAR) and all(token.names for token in before[last + 1 :])

    def _names_flags(self, run: Sequence[Token]) -> list[bool]:
        covered = {
            place
            for hit in hits(self.lexicon, run)
            if hit.entry.speaks or hit.entry.free
            for place in range(hit.first, hit.last + 1)
        }
        return [
            place in covered
            or token.kind == "mark"
            or self.lexicon.has("joiners", token.text)
            or (token.text,) in self.lexicon.phrases
            for place, token in enumerate(run)
        ]

    def _claim_ends(self, here: int) -> bool:
        """Whether a claim ends at a comma or colon.

        A colon may open its list. A comma carries it on only between the bare words of allergens:
        "free from milk, egg", but not "without preservatives, egg" nor "no milk, wheat flour".
        """
        after_the_phrase = self.phrase is not None and self.phrase[1] == here
        if self.text[here].text == ":":
            return not after_the_phrase
        before = here
        while before > 0 and self.text[before - 1].names and not self._in_phrase(before - 1):
            before -= 1
        return not (self.whole and self._bare(before, here) and self._bare_item(here + 1))

    def _bare_item(self, here: int) -> bool:
        """Whether the words up to the next mark are bare names of allergens."""
        end = here
        while end < len(self.text) and self.text[end].names:
            end += 1
        return self._bare(here, end)

    def _in_phrase(self, here: int) -> bool:
        return self.phrase is not None and here < self.phrase[1]

    def _bare(self, start: int, end: int) -> bool:
        """Whether some words are bare names of allergens, joined or not."""
        names = self.lexicon.lists["bare"]
        here, found = start, False
        while here < end:
            for size in range(min(4, end - here), 0, -1):
                *first, last = (token.text for token in self.text[here : here + size])
                if any((*first, form) in names for form in forms(self.lexicon, last)):
                    here, found = here + size, True
                    break
            else:
                token = self.text[here]
                joins = token.text == "," or self.lexicon.has("joiners", token.text)
                if not joins and (token.text,) not in self.lexicon.phrases:
                    return False
                here += 1
        return found

    def _back(self, here: int, phrase: tuple[int, int]) -> None:
        """A sentence that ends in "may be present" turns the flags named just before it."""
        start = here
        while start > 0 and self.text[start - 1].text not in ENDS:
            start -= 1
        run = self.text[start:here]
        for place, names in reversed(list(enumerate(self._names_flags(run), start))):
            if not names or self.modes[place] in ("phrase", "aside"):
                break
            self.modes[place], self.phrases[place] = "precaution", phrase
        self.mode, self.phrase = "precaution", phrase


def turns(lexicon: Lexicon, text: Sequence[Token]) -> list[Turn]:
    """The text in parts that are each one thing, in its order."""
    walk = _Walk(lexicon, text)
    walk.walk()
    mark_sites(lexicon, text, walk.modes, walk.phrases)
    _answered(lexicon, text, walk.modes, walk.phrases)
    parts: list[Turn] = []
    places: list[int] = []
    for here, mode in enumerate(walk.modes):
        if places and (mode, walk.phrases[here]) != (
            walk.modes[places[-1]],
            walk.phrases[places[-1]],
        ):
            parts.append(Turn(walk.modes[places[-1]], tuple(places), walk.phrases[places[-1]]))
            places = []
        places.append(here)
    if places:
        parts.append(Turn(walk.modes[places[-1]], tuple(places), walk.phrases[places[-1]]))
    parts = [part for part in parts if part.mode != "phrase"]
    return parts + list(_withdrawn(lexicon, text, parts))


def _answered(
    lexicon: Lexicon,
    text: Sequence[Token],
    modes: list[str],
    phrases: list[tuple[int, int] | None],
) -> None:
    """Turns what a table answers with no into a claim, and what it answers with yes into goods."""
    for answer in answers(lexicon, text):
        for place in range(*answer.said):
            modes[place] = "phrase"
        for place in range(*answer.named):
            if modes[place] not in ("phrase", "aside"):
                modes[place] = "apart" if answer.yes else "free"
                phrases[place] = answer.said


def _withdrawn(lexicon: Lexicon, text: Sequence[Token], parts: Sequence[Turn]) -> Iterator[Turn]:
    """Claims that a precaution without a name takes back: "contains no milk (traces possible)"."""
    for number, part in enumerate(parts):
        if part.mode != "precaution" or part.phrase is None:
            continue
        if any(hit.entry.speaks for hit in hits(lexicon, [text[place] for place in part.places])):
            continue
        for before in reversed(parts[:number]):
            if any(text[n].text in ENDS for n in range(before.places[-1] + 1, part.phrase[0])):
                break
            if before.mode == "free":
                yield Turn("precaution", before.places, part.phrase)
                break


def opens_a_sentence(text: Sequence[Token], turn: Turn) -> bool:
    """Whether the words that turn a part stand at the head of a sentence, or some words into it."""
    here = turn.phrase[0] if turn.phrase else 0
    for place in range(here - 1, max(-1, here - NEAR - 2), -1):
        if text[place].kind == "mark":
            return text[place].text in ENDS
    return here <= NEAR
