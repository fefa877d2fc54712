"""`./ladle bench`: every benchmark, one after the other."""

from bench import bad_input, carrying, first_page, larder, numbers

carrying.main()
first_page.main()
larder.main()
numbers.main()
bad_input.main()
