"""What one test or check came to, and what of it is remembered until the next run."""

import json
from collections.abc import Iterable
from dataclasses import asdict, dataclass, field
from pathlib import Path
from typing import Literal

ROOT = Path(__file__).resolve().parents[2]
REMEMBERED = ROOT / ".test-results.json"


@dataclass(frozen=True)
class Outcome:
    """One test or check. `output` is what it printed; of a skipped one, why it was skipped."""

    name: str
    status: Literal["passed", "failed", "skipped"]
    seconds: float
    output: str = ""


@dataclass(frozen=True)
class Remembered:
    """What failed when it was last run, how much that run tried, and the seconds of each test."""

    failed: tuple[str, ...] = ()
    thorough: bool = False
    seed: int = 1
    seconds: dict[str, float] = field(default_factory=dict)

    @classmethod
    def load(cls) -> "Remembered":
        """What the last run left; nothing where there was none."""
        try:
            kept = json.loads(REMEMBERED.read_text("utf-8"))
            return cls(tuple(kept["failed"]), kept["thorough"], kept["seed"], kept["seconds"])
        except (OSError, ValueError, KeyError):
            return cls()

    def after(self, outcomes: Iterable[Outcome], thorough: bool, seed: int) -> "Remembered":
        """With a run added: what it did not try stays failed."""
        outcomes = list(outcomes)
        ran = {outcome.name: outcome.status for outcome in outcomes}
        seconds = self.seconds | {outcome.name: round(outcome.seconds, 1) for outcome in outcomes}
        failed = [name for name in self.failed if name not in ran]
        failed += [name for name, status in ran.items() if status == "failed"]
        return Remembered(tuple(failed), thorough, seed, seconds)

    def save(self) -> None:
        """Writes it for the next run."""
        REMEMBERED.write_text(json.dumps(asdict(self), indent=1) + "\n")
