"""Reading labels, against a plain search for every word; and the unchecked list of a large book."""

import re

from bench.carrying import timed
from bench.made_up import large_book
from yellow_ladle.core.book.need import Need
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.larder.unchecked import held, unchecked_bits
from yellow_ladle.core.reading.reading import Reading, read
from yellow_ladle.core.words.letters import fold
from yellow_ladle.core.words.lexicon import lexicon

LABELS = (
    "Sugar, wheat flour, palm oil, whey powder (milk), egg white powder, salt, raising agent"
    " (E500), emulsifier (soya lecithin), flavouring. May contain nuts and sesame.",
    "Zutaten: Weizenmehl, Butterreinfett (Milch), Zucker, Vollei. Kann Spuren von Soja enthalten.",
    "Eau, moutarde (graines de moutarde, vinaigre, sel), huile de colza, jaune d'oeuf, sulfites.",
    "Gambas cocidas (crustáceos), agua, sal, conservador: metabisulfito sódico.",
    "Semola di grano duro, acqua, uova 20%, sedano. Può contenere tracce di soia e senape.",
)
TIMES = 60


def main() -> None:
    for label in LABELS:
        read_label(label)
    texts = LABELS * TIMES
    _, reading = timed(lambda: [read_label(text) for text in texts], 3)
    _, searching = timed(lambda: [plain_search(text) for text in texts], 1)
    print(f"label reader: {len(texts) / reading:.0f} labels per second, the language found out")
    print(f"against a search for each word of the lexicon: {searching / reading:.1f} times faster")
    book = large_book()
    carried = read(book)
    needs = tuple(
        Need(f"n{n}", "A guest", clear=(flag.id,)) for n, flag in enumerate(book.flags[:9])
    )
    entries, listing = timed(lambda: held(carried, needs), 3)
    by_plate, asking = timed(lambda: plate_by_plate(carried), 1)
    if {entry.item for entry in entries if entry.plates} != by_plate:
        raise SystemExit("the list and the plates disagree on what holds them back")
    _, whole = timed(lambda: read(book), 3)
    print(
        f"unchecked list of {len(book.preparations)} pots: {len(entries)} entries in"
        f" {listing * 1000:.0f} ms, {listing / whole:.1f} times a whole reading"
    )
    print(f"against asking each plate for its sources: {asking / listing:.0f} times faster")


def plain_search(text: str) -> list[str]:
    """Every word of the English lexicon, looked for in the text by itself."""
    folded = " ".join(re.findall(r"\w+", fold(text)))
    return [" ".join(key) for key in lexicon("en").entries if f" {' '.join(key)} " in f" {folded} "]


def plate_by_plate(reading: Reading) -> set[str]:
    """What is unchecked in some plate, by walking down from each of them."""
    found: set[str] = set()
    for id, made in reading.book.preparations.items():
        if made.kind != "dish" or not unchecked_bits(reading.layout, reading.masks[id]):
            continue
        open_bits = unchecked_bits(reading.layout, reading.masks[id])
        for path in reading.paths(id):
            bits = unchecked_bits(reading.layout, reading.masks[path.giver.id])
            if path.giver.id in reading.book.products and bits & open_bits:
                found.add(path.giver.id)
    return found


if __name__ == "__main__":
    main()
