"""`python -m yellow_ladle`: the command line."""

from yellow_ladle.cli import main

if __name__ == "__main__":
    main()
