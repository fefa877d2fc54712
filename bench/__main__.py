"""`./ladle bench`: every benchmark, one after the other."""

from bench import bad_input, boards, carrying, first_page, larder, numbers, opening, swaps

carrying.main()
opening.main()
boards.main()
first_page.main()
larder.main()
numbers.main()
swaps.main()
bad_input.main()
