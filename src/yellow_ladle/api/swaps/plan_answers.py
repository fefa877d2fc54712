"""The core's plans told for the screen: names in place of ids, and what the screen draws."""

from collections.abc import Iterable, Mapping
from dataclasses import replace

from yellow_ladle.api.cards.figures import stand_out
from yellow_ladle.api.cards.scaled_card import scaled_out
from yellow_ladle.api.schemas.answer_forms import Named, all_named, named
from yellow_ladle.api.schemas.plan_forms import (
    AdjustmentOut,
    BlockedOut,
    CheckFirstOut,
    CheckOut,
    CleanToolOut,
    CleanToolPiece,
    DrawnOut,
    MovedOut,
    NeedHarmedOut,
    PlacementOut,
    PlanOut,
    SmallPotOut,
    StepChangeOut,
    SwapOut,
    SwapPiece,
    ThicknessMoveOut,
)
from yellow_ladle.core.book.tool import clean_name
from yellow_ladle.core.reading.texts import stranded_sentences
from yellow_ladle.core.swaps.apply.adjustments import adjustments
from yellow_ladle.core.swaps.apply.covers import small_pots
from yellow_ladle.core.swaps.apply.floor_sentence import floor_sentence
from yellow_ladle.core.swaps.apply.method import reworked
from yellow_ladle.core.swaps.apply.placements import Placement, placements
from yellow_ladle.core.swaps.apply.plan_texts import PlanTexts
from yellow_ladle.core.swaps.apply.variant_names import names_by_what_it_is
from yellow_ladle.core.swaps.library.bases import base_library
from yellow_ladle.core.swaps.plans.fidelity import Fidelity
from yellow_ladle.core.swaps.plans.goals import Goals
from yellow_ladle.core.swaps.plans.harmed_needs import needs_harmed
from yellow_ladle.core.swaps.plans.plan import Plan
from yellow_ladle.core.swaps.plans.swap import OF_ITS_KIND, ON_THE_CARD, CleanTool, Swap
from yellow_ladle.core.swaps.rules.rulebook import RuleHere
from yellow_ladle.core.swaps.search.blockers import Blocked
from yellow_ladle.core.swaps.search.prices import UNKNOWN
from yellow_ladle.core.swaps.search.proposal import CheckFirst
from yellow_ladle.core.swaps.search.thickness_limit import poured
from yellow_ladle.core.thickening.thickness import thickness
from yellow_ladle.files.book.conversion import as_piece
from yellow_ladle.files.book.models import LinePiece, PreparationPiece
from yellow_ladle.store.documents import Now

_THERE_IS = {
    ON_THE_CARD: "the other choice on the card",
    OF_ITS_KIND: "another pot of its kind",
}
"""What swaps are called that no rule of the rulebook proposes."""


class Telling:
    """Tells plans of one state of the book, with what the kitchen says of the rules."""

    def __init__(
        self,
        now: Now,
        goals: Goals,
        rules: Mapping[str, RuleHere],
        covers: Mapping[str, int] | None = None,
    ) -> None:
        self._covers = covers or {}
        self._now = now
        self._reading = now.reading
        self._book = now.reading.book
        self._goals = goals
        self._rules = rules
        self._flags = {flag.id: flag.name for flag in self._book.flags}

    def plan(self, plan: Plan) -> PlanOut:
        """A plan with everything that a cook asks of it.

        One that is made with shipped bases, or with something to be bought, is told in the book as
        it is once they are in it.
        """
        needed = {*plan.cards, *(id for id, _ in plan.buy)}
        if not needed <= {*self._book.preparations, *self._book.products}:
            with_cards = base_library(self._reading).only(plan.cards, plan.buy)
            there = replace(self._now, reading=with_cards)
            return Telling(there, self._goals, self._rules, self._covers).plan(plan)
        reading = self._reading
        texts = PlanTexts(reading, plan)
        methods = {pot: reworked(texts, pot) for pot in plan.pots}
        score = plan.score
        return PlanOut(
            meets=plan.meets,
            same_dish=plan.same_dish,
            reached=sorted(plan.reached),
            sentence=floor_sentence(reading, plan, self._goals),
            swaps=[self._swap(swap) for swap in plan.swaps],
            cleaned=[self._clean(move) for move in plan.cleaned],
            adds=self._flag_names(plan.adds),
            clears=self._flag_names(plan.clears),
            flags_after=plan.after.level_words(plan.item),
            tool_traces_after=sorted(plan.after.tool_traces(plan.item)),
            harms=self._harms(plan),
            fidelity=Fidelity(
                flavour=round(1 - score.flavour, 3),
                texture=round(1 - score.texture, 3),
                colour=round(1 - score.colour, 3),
            ),
            cost=None if score.cost in (0.0, UNKNOWN) else score.cost,
            pots=all_named(self._book, plan.pots),
            small_pots=self._small_pots(plan),
            cards=[as_piece(PreparationPiece, self._book.preparations[id]) for id in plan.cards],
            buy=[class_.replace("-", " ") for _, class_ in plan.buy],
            names=names_by_what_it_is(reading, plan),
            placements=[self._placement(entry) for entry in placements(reading, plan)],
            steps=[
                StepChangeOut(pot=self._book.name(pot), kind=c.kind, text=c.text, minutes=c.minutes)
                for pot, method in methods.items()
                for c in method.changes
            ],
            minutes=sum(method.minutes for method in methods.values()),
            adjustments=[
                AdjustmentOut(
                    in_name=self._book.name(part.in_),
                    name=self._book.name(part.item),
                    before=part.before,
                    after=part.after,
                    unit=part.unit,
                    why=part.why,
                )
                for part in adjustments(reading, plan)
            ],
            thickness=self._thickness(plan),
            pour=self._pour(plan),
            also=all_named(self._book, plan.also),
            seen={pot: self._now.versions[pot] for pot in plan.pots},
        )

    def blocked(self, blocked: Blocked) -> BlockedOut:
        """A line that stands in the way."""
        return BlockedOut(
            in_name=self._book.name(blocked.in_),
            from_name=self._book.name(blocked.from_),
            flag=self._flag_name(blocked.flag),
            why=blocked.why,
            buy=[class_.replace("-", " ") for class_ in blocked.buy],
            check=all_named(self._book, blocked.check),
            leave_out=blocked.leave_out,
        )

    def _flag_name(self, flag: str) -> str:
        """A flag's name; the mark of grape wine is none and has no name of its own."""
        return self._flags.get(flag, flag.replace("_", " "))

    def check_first(self, way: CheckFirst) -> CheckFirstOut:
        """A way that ends in the reading of labels."""
        return CheckFirstOut(
            checks=[
                CheckOut(
                    product=named(self._book, check.product),
                    flags=[self._flag_name(flag) for flag in check.flags],
                )
                for check in way.checks
            ],
            swaps=[
                *(self._in_words(swap) for swap in way.swaps),
                *(
                    f"{self._book.name(move.in_)}: {move.method(self._book.toolbox)}"
                    for move in way.cleaned
                ),
            ],
        )

    def _flag_names(self, flags: Iterable[str]) -> list[Named]:
        return [Named(id=flag, name=self._flags[flag]) for flag in flags]

    def _in_words(self, swap: Swap) -> str:
        # A way to a goal may end in a shipped base, which is in no kitchen's book yet.
        known = base_library(self._reading).whole.book
        to = "left out" if swap.to is None else known.name(swap.to)
        return f"{self._book.name(swap.in_)}: {self._book.name(swap.from_)} → {to}"

    def _swap(self, swap: Swap) -> SwapOut:
        book, here = self._book, self._rules.get(swap.rule)
        line = book.preparations[swap.in_].lines[swap.line]
        rule = here.rule if here else None
        return SwapOut(
            swap=SwapPiece(
                in_=swap.in_,
                line=swap.line,
                from_=swap.from_,
                to=swap.to,
                quantity=swap.quantity,
                unit=swap.unit,
                rule=swap.rule,
                adds=[as_piece(LinePiece, line) for line in swap.adds],
            ),
            in_name=book.name(swap.in_),
            from_name=book.name(swap.from_),
            to_name=None if swap.to is None else book.name(swap.to),
            adds=[f"{line.quantity:g} {line.unit} {book.name(line.item)}" for line in swap.adds],
            or_names=[book.name(item) for item in swap.or_],
            quantity_before=line.quantity,
            unit_before=line.unit,
            why=swap.why,
            rule_name=rule.name if rule else _THERE_IS.get(swap.rule, "made before"),
            method=list(swap.method),
            colour=", ".join(rule.colours) if rule and rule.colours else "any",
            thickness=rule.thickness if rule else "",
            caution=rule.caution if rule else "",
            source=rule.source if rule else "the card",
            tasted=bool(here and here.ruling.tasted),
            notes=list(here.ruling.notes if here else ()),
        )

    def _clean(self, move: CleanTool) -> CleanToolOut:
        return CleanToolOut(
            move=CleanToolPiece(in_=move.in_, tool=move.tool),
            in_name=self._book.name(move.in_),
            tool_name=clean_name(move.tool, self._book.tools),
            method=move.method(self._book.toolbox),
        )

    def _placement(self, placement: Placement) -> PlacementOut:
        return PlacementOut(
            how=placement.how,
            in_place=all_named(self._book, placement.in_place),
            beside=all_named(self._book, placement.beside),
            moved=[
                MovedOut(
                    id=moved.item,
                    name=self._book.name(moved.item),
                    better=[self._flags[flag] for flag in moved.better],
                    worse=[self._flags[flag] for flag in moved.worse],
                )
                for moved in placement.moved
            ],
            stranded=stranded_sentences(self._book, placement.stranded),
        )

    def _harms(self, plan: Plan) -> list[NeedHarmedOut]:
        return [
            NeedHarmedOut(
                guest=need.guest,
                flags=[self._flags[flag] for flag in flags],
                strictness=need.strictness,
            )
            for need, flags in needs_harmed(self._reading, plan)
        ]

    def _small_pots(self, plan: Plan) -> list[SmallPotOut]:
        if not self._covers:
            return []
        return [
            SmallPotOut(
                pot=named(self._book, small.pot),
                card=scaled_out(small.made, small.card, small.names.__getitem__),
                told=small.told,
            )
            for small in small_pots(self._reading, plan, self._covers)
        ]

    def _thickness(self, plan: Plan) -> list[ThicknessMoveOut]:
        found: list[ThicknessMoveOut] = []
        for pot in poured(self._reading, plan.pots):
            before = thickness(self._reading.balance, pot).hot
            after = thickness(plan.after.balance, pot).hot
            found.append(
                ThicknessMoveOut(
                    pot=self._book.name(pot), before=stand_out(before), after=stand_out(after)
                )
            )
        return found

    def _pour(self, plan: Plan) -> list[DrawnOut]:
        """The pots from the changed lines to the plate, and what is new at their edges."""
        after = plan.after
        changed = plan.changed
        new = {swap.to for swap in plan.swaps if swap.to is not None}
        within = set(plan.pots)
        found = [
            DrawnOut(
                id=pot,
                name=self._book.name(pot),
                tier=after.graph.tiers[pot] + 1,
                changed=pot in changed,
                inputs=[i for i in after.graph.inputs[pot] if i in within or i in new],
            )
            for pot in plan.pots
        ]
        edges = [
            DrawnOut(id=item, name=self._book.name(item), tier=0, changed=True, inputs=[])
            for item in sorted(new - within)
        ]
        return [*edges, *found]
