"""Two corrections of one batch: nothing of either is lost, and conflicts are named."""

import unittest
from dataclasses import fields, replace

from hypothesis import given
from hypothesis import strategies as st

from yellow_ladle.core.production.batch import Batch, LeftOut, WentIn
from yellow_ladle.core.production.batch_merge import STANDING, WORDS, merged_batch

BASE = Batch(
    "b-1",
    "2026-12-01T08:10:00+00:00",
    "white-roux",
    went_in=tuple(WentIn(item, line) for line, item in enumerate(("flour", "butter", "milk"))),
)


def name_of(item: str) -> str:
    return item.title()


@st.composite
def corrections(draw: st.DrawFn) -> Batch:
    entries, out = [], []
    for entry in BASE.went_in:
        match draw(st.sampled_from(("same", "lot", "out", "other", "twice"))):
            case "same":
                entries.append(entry)
            case "lot":
                entries.append(replace(entry, lot=draw(st.sampled_from(("lot-1", "lot-2")))))
            case "other":
                entries.append(replace(entry, item="starch"))
            case "twice":
                entries += [replace(entry, maker="a"), replace(entry, maker="b")]
            case _:
                out.append(LeftOut(entry.line or 0))
    if draw(st.booleans()):
        entries.append(WentIn("salt"))
    note = draw(st.sampled_from(("", "lumpy")))
    return replace(BASE, went_in=tuple(entries), left_out=tuple(out), note=note)


class BatchMergeTest(unittest.TestCase):
    def test_every_field_is_merged_or_stands(self) -> None:
        names = {entry.name for entry in fields(Batch)}
        self.assertEqual(names, {*WORDS, *STANDING, "went_in", "left_out"})

    @given(corrections())
    def test_what_one_of_them_left_alone_is_the_others(self, one: Batch) -> None:
        for mine, theirs in ((one, BASE), (BASE, one), (one, one)):
            found = merged_batch(BASE, mine, theirs, name_of)
            self.assertEqual(found.conflicts, ())
            self.assertEqual(set(found.batch.went_in), set(one.went_in))
            self.assertEqual(set(found.batch.left_out), set(one.left_out))
            self.assertEqual(found.batch.note, one.note)

    @given(corrections(), corrections())
    def test_mine_stands_where_both_changed_a_thing(self, mine: Batch, theirs: Batch) -> None:
        found = merged_batch(BASE, mine, theirs, name_of)
        for line in range(3):
            here, there, was, kept = (
                (
                    [entry for entry in batch.went_in if entry.line == line],
                    [left for left in batch.left_out if left.line == line],
                )
                for batch in (mine, theirs, BASE, found.batch)
            )
            self.assertEqual(kept, there if here == was else here)
            told = name_of(BASE.went_in[line].item) in found.conflicts
            self.assertEqual(told, here not in (was, there) and there != was)

    def test_the_same_field_is_named_in_words(self) -> None:
        mine, theirs = replace(BASE, note="lumpy"), replace(BASE, note="thin")
        found = merged_batch(BASE, mine, theirs, name_of)
        self.assertEqual((found.batch.note, found.conflicts), ("lumpy", ("the note",)))


if __name__ == "__main__":
    unittest.main()
