"""A trace as a JSON document."""

from typing import Any

from yellow_ladle.core.production.service import Served
from yellow_ladle.core.production.trace import LeftOver, ServedPlate, Trace
from yellow_ladle.core.production.trace_back import CameFrom
from yellow_ladle.files.documents.day_document import rounded


def trace_content(trace: Trace, back: CameFrom) -> dict[str, Any]:
    """Where something went, surely and possibly, and what it came from."""
    asked = {
        "lot": trace.asked.lot,
        "batch": trace.asked.batch,
        "product": trace.asked.product,
        "maker": trace.asked.maker,
    }
    return {
        "format": "yellow-ladle-trace",
        "version": 1,
        "of": {key: value for key, value in asked.items() if value is not None},
        "batches": [
            {"batch": each.batch, "grams": rounded(each.grams), "via": list(each.via)}
            for each in trace.batches
        ],
        "by_tool": [{"batch": batch, "tool": tool} for batch, tool in trace.by_tool],
        "served": [served_content(plate) for plate in trace.served],
        "left": [left_content(each) for each in trace.left],
        "tubs": list(trace.tubs),
        "possible": {
            "batches": list(trace.possible_batches),
            "served": [served_content(plate) for plate in trace.possible_served],
            "services": [
                {"service": service, "plate": plate} for service, plate in trace.possible_services
            ],
        },
        "back": [
            *({"lot": id} for id in sorted(back.lots)),
            *({"batch": id} for id in sorted(back.batches)),
            *({"product": id} for id in sorted(back.products)),
        ],
    }


def served_content(plate: ServedPlate) -> dict[str, Any]:
    """A plate that was served."""
    served: Served = plate.served
    return {
        "service": plate.service,
        "need": served.need,
        "plate": served.plate,
        "portions": rounded(served.portions),
        "at": served.at,
    }


def left_content(left: LeftOver) -> dict[str, Any]:
    """What is left; quantity and unit are null where that is unknown."""
    if left.amount is None:
        return {"batch": left.batch, "quantity": None, "unit": None}
    amount = left.amount
    return {"batch": left.batch, "quantity": rounded(amount.quantity), "unit": amount.unit}
