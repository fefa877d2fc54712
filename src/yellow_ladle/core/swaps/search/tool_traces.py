"""What tools leave in a preparation that is made as a small pot, beside the usual ones."""

from collections.abc import Mapping

from yellow_ladle.core.reading.reading import Reading


class ToolTraces:
    """Per preparation the traces that each of its tools would leave in a small pot of it.

    The usual preparation goes through a tool that is always shared as well, and so leaves a trace
    in the small one.
    """

    def __init__(self, reading: Reading) -> None:
        self._reading = reading

    def of(self, preparation: str) -> Mapping[str, int]:
        """The mask of the traces by tool; no tool stands in it that leaves nothing."""
        reading = self._reading
        if not reading.book.tools and not reading.through:
            return {}
        found: dict[str, int] = {}
        for trace in reading.through.get(preparation, ()):
            left = reading.layout.traces_of(trace.mask)
            found[trace.tool] = found.get(trace.tool, 0) | left
        for name in reading.book.preparations[preparation].tools:
            if (tool := reading.book.toolbox.shared(name)) is not None:
                left = reading.layout.traces_of(reading.masks[preparation])
                found[tool.name] = found.get(tool.name, 0) | left
        return {tool: left for tool, left in found.items() if left}
