"""E numbers: every one is known with what it may come from, and an unknown one is told."""

import re
import unittest

from yellow_ladle.core.labels.hits import additive
from yellow_ladle.core.labels.reader import read_label
from yellow_ladle.core.vocabulary.levels import Level
from yellow_ladle.core.words.lexicon import lexicon

# Regulation (EC) 1333/2008, Annex II, part B, as it was consolidated in 2025; groups written out.
ANNEX = """
100 101 102 104 110 120 122 123 124 127 129 131 132 133 140 141 142 150a 150b 150c 150d 151 153 155
160a 160b 160c 160d 160e 161b 161g 162 163 170 172 173 174 175 180 200 202 210 211 212 213 214 215
218 219 220 221 222 223 224 226 227 228 234 235 239 242 243 246 249 250 251 252 260 261 262 263 267
270 280 281 282 283 284 285 290 296 297 300 301 302 304 306 307 308 309 310 315 316 319 320 321 322
325 326 327 330 331 332 333 334 335 336 337 338 339 340 341 343 350 351 352 353 354 355 356 357 363
380 385 392 400 401 402 403 404 405 406 407 407a 410 412 413 414 415 416 417 418 420 421 422 423 425
426 427 432 433 434 435 436 440 442 444 445 450 451 452 456 459 460 461 462 463 464 465 466 468 469
470a 470b 471 472a 472b 472c 472d 472e 472f 473 474 475 476 477 479b 481 482 483 491 492 493 494 495
499 500 501 503 504 507 508 509 511 513 514 515 516 517 520 521 522 523 524 525 526 527 528 529 530
534 535 536 538 541 551 552 553a 553b 554 570 574 575 576 577 578 579 585 586 620 621 622 623 624
625 626 627 628 629 630 631 632 633 634 635 640 641 650 900 901 902 903 904 905 907 914 920 927b 938
939 941 942 943a 943b 944 948 949 950 951 952 953 954 955 957 959 960a 960c 960d 961 962 964 965 966
967 968 969 999 1103 1105 1200 1201 1202 1203 1204 1205 1206 1207 1208 1209 1210 1404 1410 1412 1413
1414 1420 1422 1440 1442 1450 1451 1452 1505 1517 1518 1519 1520 1521
"""


class Numbers(unittest.TestCase):
    def levels(self, text: str) -> dict[str, Level]:
        return read_label(text, "en").levels

    def test_every_number_of_the_annex_is_known(self) -> None:
        numbers = ANNEX.split()
        self.assertGreater(len(numbers), 300)
        unknown = [n for n in numbers if additive(lexicon("en"), n) is None]
        self.assertEqual(unknown, [])

    def test_a_number_that_nobody_knows_is_told_and_the_label_is_not_complete(self) -> None:
        for number in ("E9999", "E 118", "E1499", "INS 777"):
            with self.subTest(number=number):
                read = read_label(f"Sugar, salt, {number}.", "en")
                self.assertFalse(read.complete)
                told = " ".join(word.text for word in read.unknown)
                self.assertIn(re.sub(r"\D", "", number), told)

    def test_what_they_may_come_from(self) -> None:
        for text, flag, level in (
            ("E426", "soy", Level.CONTAINS),
            ("E479b", "soy", Level.CONTAINS),
            ("E499", "soy", Level.UNCHECKED),
            ("E428", "gelatine", Level.CONTAINS),
            ("E1414", "wheat", Level.UNCHECKED),
            ("E1442", "wheat", Level.UNCHECKED),
            ("E1105", "egg", Level.CONTAINS),
            ("E304", "pork", Level.UNCHECKED),
            ("E913", "lamb", Level.UNCHECKED),
            ("E267", "barley", Level.UNCHECKED),
            ("E1510", "alcohol", Level.CONTAINS),
            ("E920", "pork", Level.UNCHECKED),
        ):
            with self.subTest(text=text):
                self.assertEqual(self.levels(f"Sugar, {text}").get(flag), level)

    def test_a_flour_treatment_agent_is_no_flour(self) -> None:
        for text in ("flour treatment agent E920", "flour treatment agent (E300)"):
            with self.subTest(text=text):
                self.assertNotIn("wheat", self.levels(f"Sugar, {text}"))


class Noise(unittest.TestCase):
    def test_a_label_all_in_capitals_stresses_nothing(self) -> None:
        label = (
            "TOMATO PASTE, SALT, SUGAR, VEGETABLE OIL (RAPESEED), ONION POWDER, CITRIC ACID."
            " MAY CONTAIN CELERY."
        )
        read = read_label(label, "en")
        self.assertEqual(read.questions, ())
        self.assertEqual(read.levels["celery"], Level.MAY_CONTAIN)

    def test_one_in_capitals_among_others_still_is(self) -> None:
        read = read_label("Sugar, salt, ZORBLAX, cocoa, rapeseed oil.", "en")
        self.assertFalse(read.complete)

    def test_names_that_are_no_slip_of_another(self) -> None:
        for text in ("Crème fraîche (MILK), salt", "Pain de campagne: farine de BLÉ, eau, sel"):
            with self.subTest(text=text):
                read = read_label(text, "auto")
                self.assertFalse([q for q in read.questions if "read rightly" in q])
        self.assertNotIn("alcohol", read.levels)
