"""Runs the tests whose ids come on standard input until one fails; ends with 1 where one did."""

import sys
import unittest


def main() -> int:
    names = sys.stdin.read().split()
    result = unittest.TestResult()
    result.failfast = True
    for name in names:
        unittest.defaultTestLoader.loadTestsFromName(name).run(result)
        if not result.wasSuccessful():
            return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
