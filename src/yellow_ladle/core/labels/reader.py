"""Reading a label: what its words propose for each flag. A person confirms it."""

from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise

from yellow_ladle.core.labels.context import (
    claims_absence,
    exempt_here,
    flags_beside,
    has_a_name_of_its_own,
    instead,
    named_behind,
    negated,
    only_claims,
    opened_without,
    ruled_out,
    settled_by,
    sources_named,
)
from yellow_ladle.core.labels.damage import repaired
from yellow_ladle.core.labels.findings import Findings
from yellow_ladle.core.labels.hits import Hit, hits
from yellow_ladle.core.labels.house_words import house_proposals
from yellow_ladle.core.labels.ingredients import Ingredient, ingredients
from yellow_ladle.core.labels.label_reading import (
    MAX_LABEL,
    Because,
    Claim,
    LabelReading,
    Listed,
    TooLong,
    Word,
)
from yellow_ladle.core.labels.languages import (
    AUTO,
    damaged_language_of,
    is_known,
    language_of,
    parts_by_language,
)
from yellow_ladle.core.labels.line_breaks import merged
from yellow_ladle.core.labels.turns import Turn, opens_a_sentence, turns
from yellow_ladle.core.labels.vocabulary import unknown_words
from yellow_ladle.core.vocabulary.flags import Flag, flag_group
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.vocabulary.regimes import regimes
from yellow_ladle.core.words.letters import Token, is_parted, tokens
from yellow_ladle.core.words.lexicon import Lexicon, LexiconEntry, lexicon

USUAL_REGIME = "eu-14"
LISTING = ("ingredients", "contains", "apart")

BY_VOLUME = ("vol", "alc", "abv")
ALCOHOL_FREE = 0.5
"""Per cent by volume up to which a drink is sold as free from alcohol in most places."""
STRENGTH = "the strength of a drink, in per cent of its volume"


def read_label(
    text: str,
    language: str = AUTO,
    regime: str = USUAL_REGIME,
    house_flags: Sequence[Flag] = (),
) -> LabelReading:
    """What a label's text proposes.

    `regime`: whose allergens "all 14 allergens" or "other allergens" mean. `house_flags` are the
    kitchen's own. Raises TooLong, and KeyError for a language without a lexicon or an unknown
    regime.
    """
    reading = _read_shipped(text, language, regime)
    if not house_flags:
        return reading
    own = tuple(house_proposals(text, reading.listed, house_flags))
    return replace(reading, proposals=(*reading.proposals, *own))


def _read_shipped(text: str, language: str, regime: str) -> LabelReading:
    """What a label's text proposes for the shipped flags."""
    if len(text) > MAX_LABEL:
        raise TooLong(len(text))
    groups = regimes()[regime].groups
    allergens = tuple(dict.fromkeys(flag for group in groups for flag in group.flags))
    joined = _read(text, tokens(text), language, allergens)
    if not is_parted(text):
        return joined
    return merged(joined, _read(text, tokens(text, joined=False), language, allergens))


def _read(
    text: str, all_tokens: list[Token], language: str, allergens: tuple[str, ...]
) -> LabelReading:
    known = is_known(all_tokens)
    detected = language_of(all_tokens) if known else damaged_language_of(all_tokens, text)
    main = detected if language == AUTO else language
    reader = _Reader(text, allergens)
    parts = parts_by_language(all_tokens, main) if language == AUTO else [(main, all_tokens)]
    for spoken, part in parts:
        words = lexicon(spoken)
        mended = repaired(words, part, text)
        reader.findings.language_known |= known or is_known(mended)
        reader.read(words, mended)
    return reader.findings.result(main, all_tokens)


class _Reader:
    """Goes through the parts of one text and tells its findings what they say."""

    def __init__(self, text: str, allergens: tuple[str, ...]) -> None:
        self._text = text
        self._allergens = allergens
        self.findings = Findings(text)

    def read(self, words: Lexicon, text: Sequence[Token]) -> None:
        """Reads a part of the text that is in one language."""
        listing: list[Token] = []
        for turn in turns(words, text):
            run = [text[place] for place in turn.places]
            if turn.mode != "aside":
                self._account(words, run, listed=turn.mode in LISTING)
            if turn.mode in LISTING:
                # Words after an "except" are no part of the name before them.
                listing += [Token(",", "mark", 0, 0)] if turn.mode == "apart" else []
                listing += run
            elif turn.mode != "aside":
                listing.append(Token(".", "mark", 0, 0))
                self._turned(words, turn, run, text)
        self._strength(text)
        if listing:
            top = ingredients(words, listing)
            for entry in top:
                self._ingredient(words, entry, None)
            self.findings.listed += [listed for entry in top for listed in self._as_listed(entry)]

    def _account(self, words: Lexicon, run: Sequence[Token], *, listed: bool) -> None:
        """Notes the words of a run that nobody knows, and whether some ingredient was known."""
        unknown = list(unknown_words(words, run))
        self.findings.unknown += [
            Word(self._text[token.start : token.end], token.start, token.end) for token in unknown
        ]
        named = [token for token in run if token.kind in ("word", "additive")]
        if listed and len(named) > len(unknown):
            self.findings.ingredients_read = True

    def _strength(self, text: Sequence[Token]) -> None:
        """ "12 % vol" says that there is alcohol, whatever the drink is called."""
        for token, beside in (*pairwise(text), *((b, a) for a, b in pairwise(text))):
            if token.kind == "percent" and beside.text in BY_VOLUME:
                strong = float(token.text.rstrip("% ").replace(",", ".")) > ALCOHOL_FREE
                because = self._because_of(
                    min(token, beside, key=_start), max(token, beside, key=_start), STRENGTH
                )
                self.findings.add("alcohol", Level.CONTAINS if strong else Level.UNCHECKED, because)

    def _turned(
        self, words: Lexicon, turn: Turn, run: Sequence[Token], text: Sequence[Token]
    ) -> None:
        self.findings.recognised += 1
        why = self._phrase(turn, text)
        found = hits(words, run)
        for number, hit in enumerate(found):
            if named_behind(run, found, number):
                continue
            # "Packed in a nut-free factory" warns of nothing; "we cannot guarantee nut-free" does.
            if turn.mode == "site" and claims_absence(words, run, hit):
                continue
            entry = hit.entry
            because = self._because(run, hit, f"{why}: {entry.why}")
            every = self._allergens if entry.every else ()
            flags = (*entry.contains, *entry.any_of, *every)
            if turn.mode in ("precaution", "site", "unsuitable"):
                for flag in flags or (entry.hides if not entry.by_source else ()):
                    self.findings.add(flag, Level.MAY_CONTAIN, because)
                if entry.any_of and entry.ask:
                    self.findings.ask(entry.ask, entry.any_of, Level.MAY_CONTAIN)
            elif words.has("unclaimed", run[hit.first].text):
                continue
            elif turn.mode in ("free", "suitable") and (flags or entry.free):
                whole = opens_a_sentence(text, turn)
                self.findings.claims.append(Claim(because, (*flags, *entry.free), whole))
        self._diets(words, turn.mode, run, opens_a_sentence(text, turn))

    def _diets(self, words: Lexicon, mode: str, run: Sequence[Token], whole: bool) -> None:
        for token in run:
            vegan = words.has("vegan", token.text)
            if not vegan and not words.has("vegetarian", token.text):
                continue
            because = self._because_of(token, token, "")
            if mode == "suitable":
                settles = flag_group("vegan_settles" if vegan else "vegetarian_settles")
                self.findings.claims.append(Claim(because, settles, whole))
            elif mode == "unsuitable":
                hidden = flag_group("not_vegetarian_hides")
                why = f"the label says that it does not suit a {token.text}"
                for flag in hidden:
                    self.findings.add(flag, Level.UNCHECKED, self._because_of(token, token, why))
                ask = "What in it is from an animal: the label says that it does not suit?"
                self.findings.ask(ask, hidden)

    def _phrase(self, turn: Turn, text: Sequence[Token]) -> str:
        if turn.phrase is None:
            return turn.mode
        first, last = text[turn.phrase[0]], text[min(turn.phrase[1], len(text)) - 1]
        return f'"{self._text[first.start : last.end]}"'

    def _ingredient(self, words: Lexicon, entry: Ingredient, above: Ingredient | None) -> None:
        if self._is_claim(words, entry, above):
            return
        without = negated(words, entry)
        without |= {number for number, hit in enumerate(entry.found) if hit.entry.free}
        whole = only_claims(words, entry, without)
        settled: set[str] = set()
        for number in sorted(without):
            hit = entry.found[number]
            meant = hit.entry
            if words.has("unclaimed", entry.tokens[hit.first].text):
                continue
            because = self._because(entry.tokens, hit, "free from, says the label")
            if hit.first and words.has("denied", entry.tokens[hit.first - 1].text):
                for flag in (*meant.contains, *meant.any_of, *meant.free):
                    self.findings.add(flag, Level.MAY_CONTAIN, because)
                continue
            claim = Claim(because, (*meant.contains, *meant.any_of, *meant.free), whole)
            self.findings.claims.append(claim)
            settled |= settled_by(claim.flags)
        self.findings.recognised += len(entry.found)
        for number in range(len(entry.found)):
            if number not in without:
                self._hit(words=words, entry=entry, number=number, above=above, settled=settled)
        self._stress(words, entry)
        for part in entry.parts:
            self._ingredient(words, part, entry)

    def _is_claim(self, words: Lexicon, entry: Ingredient, above: Ingredient | None) -> bool:
        """Whether it is no ingredient but a bare "Vegan" or "100% vegetarian"."""
        if len(entry.tokens) > 2 or entry.parts:
            return False
        run = [token for token in entry.tokens if token.names]
        vegan = any(words.has("vegan", token.text) for token in run)
        if not run or any(hit.entry.speaks for hit in entry.found):
            return False
        if vegan or any(words.has("vegetarian", token.text) for token in run):
            self._diets(words, "suitable", run, whole=above is None)
            return True
        return False

    def _hit(
        self,
        words: Lexicon,
        entry: Ingredient,
        number: int,
        above: Ingredient | None,
        settled: set[str],
    ) -> None:
        hit = entry.found[number]
        meant = hit.entry
        because = self._because(entry.tokens, hit, _why(hit))
        if meant.every:
            for flag in self._allergens:
                self.findings.add(flag, Level.MAY_CONTAIN, because)
            self.findings.note(meant.ask)
        named = sources_named(words, entry, number)
        exempt = exempt_here(entry, number, above)
        sourced = hit.source or bool(named)
        # In a list of a thing's own, such a word settles that thing alone: see `ruled_out`.
        if above is None:
            self.findings.settled.update(meant.settles)
        settled = settled | ruled_out(entry, above)
        contains = [flag for flag in meant.contains if flag not in exempt]
        for flag in sorted(set(meant.contains) & exempt):
            self.findings.add(flag, Level.UNCHECKED, because)
        if meant.usual:
            ruled = ruled_out(entry, above)
            contains = [flag for flag in contains if flag not in ruled]
        if meant.head and has_a_name_of_its_own(words, entry, hit):
            contains = []
        elif meant.usual and (instead(words, entry, number) or opened_without(entry, meant)):
            for flag in contains:
                self.findings.add(flag, Level.UNCHECKED, because)
            self.findings.ask(f'Is "{because.text}" {_of(meant.contains)} here?', meant.contains)
            contains = []
        for flag in contains:
            self.findings.add(flag, Level.CONTAINS, because)
        if meant.any_of:
            self.findings.add_any_of(meant, because)
        if not (entry.opened or (meant.by_source and sourced)):
            hidden = [flag for flag in meant.hides if flag not in settled]
            for flag in hidden:
                self.findings.add(flag, Level.UNCHECKED, because)
            self.findings.ask(meant.ask, tuple(hidden))
        self._exempted(meant, entry, number, because, sourced=sourced)
        if hit.slip:
            self.findings.note(f'Is "{because.text}" read rightly as "{hit.read_as}"?')

    def _exempted(
        self,
        meant: LexiconEntry,
        entry: Ingredient,
        number: int,
        because: Because,
        *,
        sourced: bool,
    ) -> None:
        if not meant.exempt:
            return
        named = flags_beside(entry, number) & set(meant.exempt)
        for flag in sorted(named):
            self.findings.add(flag, Level.UNCHECKED, because)
        if named:
            self.findings.ask(
                f'"{because.text}" is made from {_of(tuple(sorted(named)))}, which need not be'
                " declared here. Does your guest accept it?",
                tuple(sorted(named)),
            )
        elif not sourced:
            self.findings.note(f'"{because.text}": what is it made from? {_sentence(meant.why)}')

    def _stress(self, words: Lexicon, entry: Ingredient) -> None:
        covered = {place for hit in entry.found for place in range(hit.first, hit.last + 1)}
        for place, token in enumerate(entry.tokens):
            if not token.stressed:
                continue
            speaks = place in covered
            self.findings.stressed_known = self.findings.stressed_known or speaks
            plain = (token.text,) in words.phrases or words.has("joiners", token.text)
            if not speaks and not plain and not words.has("sources", token.text):
                self.findings.stressed_unknown.append(token)

    def _because(self, run: Sequence[Token], hit: Hit, why: str) -> Because:
        return self._because_of(run[hit.first], run[hit.last], why)

    def _because_of(self, first: Token, last: Token, why: str) -> Because:
        return Because(self._text[first.start : last.end], first.start, last.end, why)

    def _as_listed(self, entry: Ingredient) -> list[Listed]:
        parts = [listed for part in entry.parts for listed in self._as_listed(part)]
        if not entry.tokens:
            return parts
        first, last = entry.tokens[0], entry.tokens[-1]
        stressed = any(token.stressed for token in entry.tokens)
        text = self._text[first.start : last.end]
        return [
            Listed(
                text=text,
                start=first.start,
                end=last.end,
                percent=entry.percent,
                stressed=stressed,
                parts=tuple(parts),
            )
        ]


def _start(token: Token) -> int:
    return token.start


def _why(hit: Hit) -> str:
    return f'{hit.entry.why} (read as "{hit.read_as}")' if hit.read_as else hit.entry.why


def _sentence(why: str) -> str:
    return why[:1].upper() + why[1:] + "."


def _of(flags: Sequence[str]) -> str:
    return " or ".join(flag.replace("_", " ") for flag in flags)
