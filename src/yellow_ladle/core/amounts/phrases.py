"""The turns of phrase around an amount, in English, French, German, Spanish and Italian."""

import re

from yellow_ladle.core.amounts.numerals import GLYPHS

ABOUT = re.compile(
    r"(?:(?:about|approx|approximately|around|roughly|ca|circa|env|environ|etwa|unos|unas)(?=[\s\d¼-¾]|\.)"
    r"\.?|c\.|~|(?:some|(?:just|a little|slightly) (?:under|over|less than|more than)|almost|nearly"
    r"|at least|up to|min\.?|max\.?|(?:a )?(?:good|scant|generous|heaped|heaping|rounded|level)"
    r"|(?:ein )?gute[srn]?|un bon|un buen|un buon|knapp|gut|fast|rund|mindestens|à peine|presque"
    r"|à peu près"
    r"|au moins|casi|algo menos de|algo más de|al menos|quasi|poco meno di|poco più di|almeno)"
    r"(?=\s+[\d¼½¾⅓⅔⅛]))\s*",
    re.I,
)
ENGLISH_CONTAINERS = (
    *("tin", "can", "jar", "bottle", "packet", "pack", "package", "pot", "tub", "carton", "sachet"),
    *("bag", "box", "block", "container", "pouch", "jug", "tube", "punnet", "glass"),
)
CONTAINERS = (
    *("dose", "glas", "flasche", "packung", "päckchen", "pckg", "pck", "pkg", "pkt", "tüte"),
    *("schale", "topf", "becher", "beutel", "sachet", "pot", "barquette", "boîte", "bocal"),
    *("bouteille", "paquet", "brique", "sobre", "brik", "bandeja", "lata", "bote", "botella"),
    *("paquete", "tarro", "bustina", "bustine", "vaschetta", "vaschette", "panetto", "panetti"),
    *("lattina", "lattine", "scatola", "scatole", "scatoletta", "scatolette", "vasetto", "vasetti"),
    *("bottiglia", "bottiglie", "confezione", "confezioni", "barattolo", "barattoli"),
)
CONTAINER = re.compile(
    rf"(?P<what>(?:{'|'.join(ENGLISH_CONTAINERS)})(?=(?:e?s)?(?:[\s,(.]|$))|{'|'.join(CONTAINERS)})"
    r"(?:s|es|n|en)?(?=[\s,(.]|$)\.?(?!\s(?:noodle|vermicelli))"
    r"\s*(?:(?:of|de|von|di)\b|d['’])?\s*",
    re.I,
)
OF_SIZE = re.compile(r"(?:(?:of|de|von|di|à|da|je|zu|zu je)\s+)?(?=\d)", re.I)
EACH = re.compile(r",?\s*(?:each|apiece|je|chacun[e]?|cada un[oa]|ciascun[oa])$", re.I)
LENGTH = re.compile(
    rf"\(?(?P<size>(?:\d+/\d+|(?:\d+\s?)?[{GLYPHS}]|\d+(?:[.,]\d+)?)(?:\s*-\s*\d+)?[- ]?"
    r"(?:cm|mm|in|inch(?:es)?|\"))(?:\)\s*|[- ]+)"
    r"(?:piece|length|knob|chunk|strip|stick|thumb)s?(?=[\s,]|$)\s*",
    re.I,
)
ABOUT_HOW = re.compile(
    r"heap|scant|round|good|gener|geh|knapp|gut|bonne|buena|bella|abbond|colm|scars|llen|bomb|bien",
    re.I,
)
EACH_OF = re.compile(r"\s*each\b(?!\))", re.I)
BUTTERS = ("butter", "margarine", "shortening", "beurre", "mantequilla", "burro", "lard")
SOME_OF = re.compile(
    r"(?:some|a little|etwas|ein wenig|un peu (?:de\s|d['’])|un poco de|algo de|un po['’] di)\s*"
    r"(?=[^\W\d])",
    re.I,
)
AND_MORE = re.compile(r"\s*(?:and|plus|y|et|e|und)\s", re.I)
OR_ELSE = re.compile(r"\s*[/|]\s*(?=[\d¼½¾⅓⅔⅛])")
NO_AMOUNT = re.compile(
    r"(?:,?\s*\(?\b(?:to taste|as needed|as required|to serve|to finish|optional|for \w+ing"
    r"|q\.?\s?s\.?|(?-i:PM|P\.M\.)|TT|pour mémoire|q\.?\s?b\.?|c/s|c\.\s?s\."
    r"|(?:nach|n\.) (?:geschmack|bedarf|belieben)|n\.\s?b\."
    r"|selon le goût|à volonté|a piacere|au goût|al gusto"
    r"|quanto basta)\)?)$",
    re.I,
)
TO = re.compile(r"\s*(?:-|–|—|to|or|à|ou|bis|oder|a(?=\s*\d)|o(?=\s*\d))\s*", re.I)
TIMES = re.compile(r"\s*[x×]\s*", re.I)
PLUS = re.compile(r"\s*(?:\+|plus|and)\s+", re.I)
OF = re.compile(r"(?:(?:of|de|di|von)\s+|d['’])", re.I)
AND_A_FRACTION = re.compile(rf"and\s+(?=\d+\s*[/⁄]|[{GLYPHS}])", re.I)
SOME = ("few", "couple", "some", "several", "handful", "lot")
PARTITIVE = re.compile(r"of\s+an?\s+", re.I)
SIZES = re.compile(
    r"(?:a\s+)?(?P<how>heaped|heaping|level|scant|rounded|good|generous|big|large|small|medium"
    r"|thick|thin|gehäufte[rsn]?|geh\.|gestrichene[rsn]?|gestr\.|knappe[rsn]?|gute[rsn]?"
    r"|große[rsn]?|kleine[rsn]?|kl\.|dicke[rsn]?|dünne[rsn]?|bonnes?|petite?s?|grosse?s?"
    r"|grande?s?|belles?|buena|pequeñ[ao]s?|bella|piccol[aoie]|grand[ei]|abbondant[ei]"
    r"|[^\W\d_]+[- ]sized?(?=\s))(?:[- ]sized?)?\s+",
    re.I,
)
SIZED = re.compile(
    r"(?P<how>ras[ieo]|colm[ieo]|abbondant[ei]|scars[ieo]|rasas?|colmadas?|llenas?|generosas?"
    r"|bombée?s?|rase?s?|bien pleine?s?|gestrichen|gehäuft)(?=[\s,]|$)\s*",
    re.I,
)
TEMPERATURE = re.compile(
    r"\d{2,3}\s?(?:°|º|degrees?\b|deg\b|grad\b|degrés?\b|grados\b|gradi\b|(?-i:[CF])(?![\w.]))",
    re.I,
)
WORD = re.compile(r"[^\W\d]+(?:['’][^\W\d]+)?\.?", re.UNICODE)
ASIDE = re.compile(
    r",?\s*\b(?P<said>to taste|as needed|as required|to serve|to finish|for \w+ing|optional)$", re.I
)
LOOSE = re.compile(r"(?:an?|some|few)\s+(?P<measure>[^\d,]+?)\s+of\s+(?P<item>.+)", re.I)
BRACKET = re.compile(r"\(([^()]*)\)\s*")
