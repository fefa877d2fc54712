"""Certificates and the days until which they hold: one that has expired no longer counts."""

from collections.abc import Collection, Mapping

from yellow_ladle.core.book.maker import Paper
from yellow_ladle.core.book.product import Product


def held(
    certificates: Collection[str], papers: Mapping[str, Paper], on: str | None
) -> tuple[str, ...]:
    """The certificates that still hold on a day: one that has expired no longer counts."""
    return tuple(kind for kind in certificates if not run_out(papers.get(kind), on))


def run_out(paper: Paper | None, on: str | None) -> bool:
    """Whether a paper's last day lies before a day."""
    return bool(paper and paper.expires and on is not None and paper.expires < on)


def last_day(product: Product, certificate: str, on: str | None) -> str | None:
    """The day after which a certificate of the product, or of a maker, stopped counting."""
    shown = (product.papers, *(maker.papers for maker in product.counted_makers))
    papers = (source.get(certificate) for source in shown)
    gone = [str(paper.expires) for paper in papers if paper and run_out(paper, on)]
    return max(gone, default=None)
