"""`./ladle bench`: every benchmark, one after the other."""

from bench import carrying, first_page, larder

carrying.main()
first_page.main()
larder.main()
