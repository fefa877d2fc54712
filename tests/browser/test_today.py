"""What is made today: a pot as its card says, one with something else, the plate that changes."""

from dataclasses import replace

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.harness import BrowserTest
from yellow_ladle.store.daybook import DaybookChange


class MadeTodayTest(BrowserTest):
    def test_a_pot_is_recorded_with_one_tap_and_with_another_stock_in_four(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=white-roux] button", "Made it")
        self.shows("White roux is recorded.", "[data-made]")
        self.see("[data-pot=white-roux] a", "made")
        self.click("[data-pot=veloute] button", "Velouté")
        self.click('[data-line="1"] button', "otherwise")
        self.click('[data-line="1"] button', "Garden stock")
        self.shows("Carries no more: poultry.", "[data-differs]")
        self.accessible()
        self.click("[data-made-panel] button", "Made it, as shown")
        self.shows("Velouté is recorded.", "[data-made]")
        self.see("[data-pot=veloute]", "no poultry")
        self.no_complaints()

    def test_fish_in_the_veloute_is_told_with_the_plates_that_change(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=veloute] button", "Velouté")
        self.click('[data-line="1"] button', "otherwise")
        self.named("input", "Instead of Hen stock").send_keys("shore fish")
        self.click("[role=option]", "fish stock")
        self.shows("Carries besides: fish", "[data-differs]")
        self.shows("Hen and leek pie: also fish", "[data-plates]")
        self.click("[data-made-panel] button", "Made it, as shown")
        self.shows("Velouté is recorded.", "[data-made]")
        self.click("[data-made] a", "Velouté")
        self.shows("Velouté", "h1")
        self.shows("Fish", "[data-level=contains]")
        self.accessible()
        self.click("a", "Trace it")
        self.shows("Trace: Velouté", "h1")
        self.accessible()
        self.no_complaints()

    def test_a_lot_is_said_by_scanning_its_pack(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=white-roux] button", "White roux")
        self.click('[data-line="0"] button', "otherwise")
        self.named("input", "Its lot, scanned or typed").send_keys("A113\n")
        self.shows("lot A113", '[data-line="0"]')
        self.click("[data-made-panel] button", "Made it, as shown")
        self.shows("White roux is recorded.", "[data-made]")
        self.no_complaints()

    def test_a_batch_is_taken_back_and_its_history_stays(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=brown-roux] button", "Made it")
        self.shows("Brown roux is recorded.", "[data-made]")
        self.click("[data-made] a", "Brown roux")
        self.shows("recorded", "[data-history]")
        self.click("button", "Take it back")
        self.shows("taken back", "[data-history]")
        self.no_complaints()

    def test_a_batch_is_corrected_with_a_reason(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=veloute] button", "Made it")
        self.shows("Velouté is recorded.", "[data-made]")
        self.click("[data-made] a", "Velouté")
        self.click("button", "Correct it")
        self.click('[data-line="1"] button', "otherwise")
        self.click('[data-line="1"] button', "Garden stock")
        self.shows("Carries no more: poultry.", "[data-differs]")
        self.named("input", "Why it is corrected").send_keys("no hens that day")
        self.click("[data-correcting] button", "Correct it so")
        self.shows("Garden stock", "[data-went-in]")
        self.shows("no hens that day", "[data-history]")
        self.accessible()
        self.click("button", "Undo the last word")
        self.shows("Hen stock", "[data-went-in]")
        self.no_complaints()

    def test_two_people_correct_one_batch_and_both_are_kept(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=veloute] button", "Made it")
        self.click("[data-made] a", "Velouté")
        self.click("button", "Correct it")
        self.shows("Hen stock", "[data-correcting] [data-line='1']")
        self.another_note("thin")
        self.click('[data-line="1"] button', "otherwise")
        self.click('[data-line="1"] button', "Garden stock")
        self.click("[data-correcting] button", "Correct it so")
        self.click("button", "Put both together")
        self.shows("Both corrections are shown together", "[data-correcting]")
        self.click("[data-correcting] button", "Correct it so")
        self.shows("Garden stock", "[data-went-in]")
        self.shows("thin", "main")
        self.no_complaints()

    def another_note(self, note: str) -> None:
        """Somebody else corrects the only batch meanwhile."""
        daybook = self.served.ledger.daybook
        [batch] = daybook.now.daybook.batches
        key = ("batches", batch.id)
        change = DaybookChange(*key, replace(batch, note=note))
        daybook.record([change], {key: daybook.now.seqs[key]}, "corrected")

    def test_more_went_in_with_its_amount_and_a_level_is_stated(self) -> None:
        self.open("/today", "[data-pots]")
        self.click("[data-pot=veloute] button", "Velouté")
        self.named("input", "Something more went in").send_keys("cream")
        self.click("[role=option]", "double cream")
        self.named("input", "How much Brough Dairy double cream went in").send_keys("200 ml\t")
        self.click('[data-line="1"] button', "otherwise")
        box = self.named("input", "How much Hen stock went in")
        box.send_keys(Keys.CONTROL, "a")
        box.send_keys("2 l\t")
        self.shows("another amount", '[data-line="1"]')
        self.click("[data-made-panel] button", "Made it, as shown")
        self.click("[data-made] a", "Velouté")
        self.shows("200 ml", "[data-went-in]")
        self.shows("2 l", "[data-went-in]")
        self.click("[data-stated] summary", "It carries more")
        Select(self.named("select", "It carries besides")).select_by_visible_text("Lupin")
        self.click("[data-stated] button", "Write it down")
        self.shows("written down when it was made", "[data-flag~=lupin]")
        self.named("input", "Why").send_keys("another pot")
        self.click("[data-stated] button", "Take off lupin")
        self.shows("It carries more than that", "[data-stated]")
        self.accessible()
        self.no_complaints()

    def test_what_went_in_instead_is_written_into_the_card(self) -> None:
        self.open("/today", "[data-pots]")
        self.writes("NB")
        self.click("[data-pot=veloute] button", "Velouté")
        self.click('[data-line="1"] button', "otherwise")
        self.click('[data-line="1"] button', "Garden stock")
        self.click("[data-made-panel] button", "Made it, as shown")
        self.shows("Velouté is recorded.", "[data-made]")
        self.click("[data-made] a", "Velouté")
        self.click("[data-went-in] summary", "write it into the card")
        self.shows("Changes 2 pots", "[data-went-in]")
        self.click("[data-went-in] button", "Write it into the card")
        self.shows("The card says so now.", "[data-went-in]")
        lines = self.served.ledger.now.reading.book.preparations["veloute"].lines
        self.assertEqual([line.item for line in lines if line.chosen], ["garden-stock"])
        self.no_complaints()
