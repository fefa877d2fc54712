"""The maker changed the label: what a new sheet says, against what is recorded."""

from collections.abc import Mapping
from dataclasses import replace

from yellow_ladle.core.book.ids import free_id
from yellow_ladle.core.book.maker import Evidence, Maker, Statements
from yellow_ladle.core.book.product import Product
from yellow_ladle.core.vocabulary.gs1_elements import same_number
from yellow_ladle.core.vocabulary.levels import Level

BEFORE = "As recorded before"


def voice_with_code(product: Product, code: str) -> str | None:
    """The maker with a bar code, "" for the product's own, None where nobody has it."""
    wanted = same_number(code)
    if wanted and same_number(product.code) == wanted:
        return ""
    makers = (maker.id for maker in product.makers if wanted and same_number(maker.code) == wanted)
    return next(makers, None)


def recorded(product: Product, maker: str) -> tuple[Statements, Level]:
    """What is recorded of a maker's label ("" for the product's own): statements and the rest."""
    for known in product.makers:
        if known.id == maker:
            return known.statements, known.otherwise
    return product.statements, product.otherwise


def differences(
    product: Product, maker: str, stated: Mapping[str, Level]
) -> dict[str, tuple[Level, Level]]:
    """Per flag that a sheet speaks of differently: what is recorded, and what the sheet says."""
    statements, otherwise = recorded(product, maker)
    return {
        flag: (statements.get(flag, otherwise), level)
        for flag, level in stated.items()
        if statements.get(flag, otherwise) is not level
    }


def accepted(
    product: Product, maker: str, stated: Mapping[str, Level], why: Evidence, label: str
) -> Product:
    """The product with what the sheet says in the place of what was recorded."""
    evidence = dict.fromkeys(stated, why)
    if not maker:
        return replace(
            product,
            statements={**product.statements, **stated},
            evidence={**product.evidence, **evidence},
            label=label or product.label,
        )
    makers = tuple(
        replace(
            known,
            statements={**known.statements, **stated},
            evidence={**known.evidence, **evidence},
            label=label or known.label,
        )
        if known.id == maker
        else known
        for known in product.makers
    )
    return replace(product, makers=makers)


def kept_apart(
    product: Product,
    maker: str,
    name: str,
    stated: Mapping[str, Level],
    why: Evidence,
    label: str,
) -> Product:
    """The product with the new label beside the old: it carries the highest of both.

    Where the product had no makers, its own label becomes one, as it was recorded before. The new
    label says no more of what the sheet is silent on than the old one did.
    """
    makers = list(product.makers)
    if not makers:
        makers.append(as_maker(product))
    statements, otherwise = recorded(product, maker)
    taken = [known.id for known in makers]
    new = Maker(
        free_id(name, taken),
        name,
        {**statements, **stated},
        otherwise,
        evidence=dict.fromkeys(stated, why),
        label=label,
    )
    bare = replace(product, statements={}, evidence={}, makers=(*makers, new), in_use=None)
    return bare if not product.makers else replace(product, makers=(*makers, new), in_use=None)


def with_maker(product: Product, maker: Maker) -> Product:
    """The product with one more maker; its own label becomes the first where it had none."""
    if product.makers:
        return replace(product, makers=(*product.makers, maker))
    first = as_maker(product)
    return replace(product, statements={}, evidence={}, makers=(first, maker), certificates=())


def without_maker(product: Product, maker: str) -> Product:
    """The product without one of its makers. Nobody's label is left where it was the only one."""
    left = tuple(known for known in product.makers if known.id != maker)
    in_use = None if product.in_use == maker else product.in_use
    if left:
        return replace(product, makers=left, in_use=in_use)
    return replace(product, makers=(), in_use=None, otherwise=Level.UNCHECKED)


def as_maker(product: Product) -> Maker:
    """What a product without makers says, as the label of its first maker."""
    return Maker(
        id="as-before",
        name=BEFORE,
        statements=product.statements,
        otherwise=product.otherwise,
        certificates=product.certificates,
        papers=product.papers,
        evidence=product.evidence,
        label=product.label,
        pack=product.pack,
        code=product.code,
    )
