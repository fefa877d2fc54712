"""What a product gives of itself: its own label, its makers', and what its bag was filled with."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass

from yellow_ladle.core.levels import Level
from yellow_ladle.core.masks import Layout
from yellow_ladle.core.product import Paper, Product, Statements


@dataclass(frozen=True, slots=True)
class Said:
    """One voice among those that speak for a product. `by` is a maker's id, else empty."""

    by: str
    statements: Statements
    otherwise: Level
    certificates: tuple[str, ...]

    def level(self, flag: str) -> Level:
        """What it says of a flag."""
        return self.statements.get(flag, self.otherwise)


def said(product: Product, on: str | None) -> list[Said]:
    """Every voice that counts on a day (ISO date; with None no certificate has run out)."""
    own = held(product.certificates, product.papers, on)
    otherwise = Level.FREE if product.makers else product.otherwise
    voices = [Said("", product.statements, otherwise, own)]
    for maker in product.counted_makers:
        certificates = held(maker.certificates, maker.papers, on)
        voices.append(Said(maker.id, maker.statements, maker.otherwise, certificates))
    added = product.bag.additions if product.bag else ()
    return [*voices, *(Said("", e.statements, Level.FREE, e.certificates) for e in added)]


def own_level(product: Product, flag: str) -> Level:
    """The highest level that any voice gives a flag; what the contents carry comes on top."""
    return max(voice.level(flag) for voice in said(product, None))


def product_mask(layout: Layout, product: Product, on: str | None) -> int:
    """The mask of a product by its own labels, without its contents."""
    if not product.makers and product.bag is None and not product.papers:
        return layout.mask(product.statements, product.otherwise, product.certificates)
    mask = 0
    for voice in said(product, on):
        mask |= layout.mask(voice.statements, voice.otherwise, voice.certificates)
    return mask


def held(
    certificates: Collection[str], papers: Mapping[str, Paper], on: str | None
) -> tuple[str, ...]:
    """The certificates that still hold on a day: one that has run out counts no more."""
    return tuple(kind for kind in certificates if not run_out(papers.get(kind), on))


def run_out(paper: Paper | None, on: str | None) -> bool:
    """Whether a paper's last day lies before a day."""
    return bool(paper and paper.expires and on is not None and paper.expires < on)


def last_day(product: Product, certificate: str, on: str | None) -> str | None:
    """The day after which a certificate of the product, or of a maker, stopped counting."""
    shown = (product.papers, *(maker.papers for maker in product.counted_makers))
    papers = (voice.get(certificate) for voice in shown)
    gone = [str(paper.expires) for paper in papers if paper and run_out(paper, on)]
    return max(gone, default=None)


def certified(product: Product, flag: str, certificate: str, on: str | None) -> bool:
    """Whether everyone who gives the flag to the product holds the certificate."""
    giving = [voice for voice in said(product, on) if voice.level(flag) > Level.FREE]
    return all(certificate in voice.certificates for voice in giving)
