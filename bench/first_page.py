"""What the demo's first page sends over the wire, fonts and data included."""

import tempfile
from pathlib import Path

from tests.browser.harness import Served, chromium, new_tab
from yellow_ladle.demo.kitchen import demo_book

SIZES = """
    const entries = [
        ...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')
    ];
    return entries.map(e => [new URL(e.name).pathname, e.transferSize]);
"""


def main() -> None:
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as folder:
        served = Served(demo_book(), Path(folder) / "demo.sqlite")
        browser = chromium()
        new_tab(browser)
        try:
            browser.get(served.address)
            browser.execute_async_script("setTimeout(arguments[0], 1500)")
            sizes = browser.execute_script(SIZES)
        finally:
            served.stop()
    for path, size in sorted(sizes, key=lambda entry: -entry[1]):
        print(f"{size / 1000:7.1f} kB  {path}")
    total = sum(size for _, size in sizes) / 1000
    print(f"first page, compressed, with fonts: {total:.0f} kB (aim: under 200)")


if __name__ == "__main__":
    main()
