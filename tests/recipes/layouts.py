"""Recipes laid out as cards, pages and notebooks lay them out, with what they say."""

from dataclasses import dataclass
from textwrap import wrap

from hypothesis import strategies as st


@dataclass(frozen=True)
class Tongue:
    """What a card says in one language; `parts` are headings with the names that they give.

    `bare` is what stands in a list without an amount, with the item that it names.
    """

    goods: tuple[str, ...]
    units: tuple[str, ...]
    steps: tuple[str, ...]
    bare: tuple[tuple[str, str], ...]
    yields: tuple[str, ...]
    ingredients: str
    method: str
    parts: tuple[tuple[str, str], tuple[str, str]]
    step: str


TONGUES = (
    Tongue(
        ("butter", "plain flour", "leeks", "milk", "cod", "hen stock", "brown onions", "red wine"),
        ("g", "kg", "ml", "l", "tbsp", "tsp", "cups", "oz"),
        (
            "Melt the butter and stir in the flour",
            "Simmer for 20 minutes, stirring now and then, until it coats a spoon",
            "Strain and season",
            "Meanwhile, cut the leeks into rings",
            "Off the heat, whisk in what is left",
        ),
        (("salt", "salt"), ("Chopped parsley", "Chopped parsley"), ("A little cream", "cream")),
        ("Serves 4", "For 4 people", "4 servings", "Enough for four"),
        "Ingredients",
        "Method",
        (("For the sauce", "sauce"), ("For the topping", "topping")),
        "Step",
    ),
    Tongue(
        ("beurre", "farine", "poireaux", "lait", "crème fraîche", "vin rouge", "oignons"),
        ("g", "kg", "ml", "cl", "c. à soupe"),
        (
            "Faire fondre le beurre et ajouter la farine",
            "Laisser mijoter 20 minutes à petit feu en remuant",
            "Passer au chinois",
            "Hacher les oignons",
            "Servez aussitôt",
        ),
        (("sel", "sel"), ("muscade", "muscade"), ("Un peu de crème", "crème")),
        ("Pour 4 personnes", "4 parts", "Pour : 4 pers."),
        "Ingrédients",
        "Préparation",
        (("Pour la sauce", "sauce"), ("Pour le gratin", "gratin")),
        "Étape",
    ),
    Tongue(
        ("Butter", "Mehl", "Lauch", "Milch", "Sahne", "Rotwein", "Zwiebeln"),
        ("g", "kg", "ml", "l", "EL", "TL"),
        (
            "Butter schmelzen und das Mehl einrühren",
            "Bei schwacher Hitze 20 Minuten köcheln lassen",
            "Die Soße passieren",
            "Den Lauch in Ringe schneiden",
            "Mit Salz abschmecken",
        ),
        (("Salz", "Salz"), ("Muskat", "Muskat"), ("Etwas Sahne", "Sahne")),
        ("Für 4 Personen", "4 Portionen", "Ergibt 4 Portionen"),
        "Zutaten",
        "Zubereitung",
        (("Für die Soße", "Soße"), ("Für den Teig", "Teig")),
        "Schritt",
    ),
    Tongue(
        ("mantequilla", "harina", "puerros", "leche", "nata", "vino tinto", "cebollas"),
        ("g", "kg", "ml", "l", "cucharadas"),
        (
            "Derretir la mantequilla y añadir la harina",
            "Cocer 20 minutos a fuego lento sin dejar de remover",
            "Colar la salsa",
            "Picar las cebollas",
            "Rectificar de sal",
        ),
        (("sal", "sal"), ("nuez moscada", "nuez moscada"), ("Un poco de aceite", "aceite")),
        ("Para 4 personas", "4 raciones", "Raciones: 4"),
        "Ingredientes",
        "Elaboración",
        (("Para la salsa", "salsa"), ("Para el relleno", "relleno")),
        "Paso",
    ),
    Tongue(
        ("burro", "farina", "porri", "latte", "panna", "vino rosso", "cipolle"),
        ("g", "kg", "ml", "l", "cucchiai"),
        (
            "Sciogliere il burro e unire la farina",
            "Cuocere 20 minuti a fuoco basso, mescolando",
            "Filtrare la salsa",
            "Tritare le cipolle",
            "Regolare di sale",
        ),
        (("sale", "sale"), ("noce moscata", "noce moscata"), ("Un po' di panna", "panna")),
        ("Per 4 persone", "4 porzioni", "Dosi per 4"),
        "Ingredienti",
        "Preparazione",
        (("Per la salsa", "salsa"), ("Per il ripieno", "ripieno")),
        "Passo",
    ),
)
MARKS = ("", "- ", "* ", "• ", "☐ ")
AMOUNT_FIRST = "{amount} {item}"
ITEM_FIRST = (
    *("{item}: {amount}", "{item} – {amount}", "{item} ..... {amount}", "{item}     {amount}"),
    *("{item} ({amount})", "{item}, {amount}", "{item} {amount}"),
)
HEADINGS = ("", "{}\n", "{}:\n", "## {}\n", "{} \n-----\n", "**{}**\n")
NUMBERS = ("", "{}. ", "{}) ", "{} ", "{}/ ", "- ")
NAMES = ("Gravadella", "Skerrow pie", "Old harbour stew")
NARROW, WIDE = 40, 200


@dataclass(frozen=True)
class Laid:
    """A recipe as text, and what has to be read out of it: item, amount and part of each line."""

    text: str
    name: str
    lines: list[tuple[str, float | None, str]]
    steps: list[str]


@st.composite
def laid_out(draw: st.DrawFn) -> Laid:
    """One recipe in one of the ways that recipes are written."""
    tongue = draw(st.sampled_from(TONGUES))
    name = draw(st.sampled_from(NAMES))
    told = draw(st.sampled_from(tongue.yields))
    title = draw(st.sampled_from(_titles(name, told)))
    heading = draw(st.sampled_from(HEADINGS))
    lines, listed = draw(_ingredients(tongue))
    steps, done = draw(_method(tongue))
    top = heading.format(tongue.ingredients)
    text = f"{title}\n\n{top}{listed}\n\n{heading.format(tongue.method)}{done}\n"
    return Laid(text, name, lines, steps)


def _titles(name: str, told: str) -> tuple[str, ...]:
    apart = (f"{name} ({told})", f"{name}\n\n{told}", f"{name}\n{told}", f"{name} | {told}")
    return (name, f"# {name}", f"**{name}**", *apart)


@st.composite
def _ingredients(
    draw: st.DrawFn, tongue: Tongue
) -> tuple[list[tuple[str, float | None, str]], str]:
    """Ingredients in two parts or in none, all written in one way, the last without an amount."""
    form = AMOUNT_FIRST if draw(st.booleans()) else draw(st.sampled_from(ITEM_FIRST))
    mark = draw(st.sampled_from(MARKS))
    goods = draw(st.lists(st.sampled_from(tongue.goods), min_size=2, max_size=6, unique=True))
    stop = draw(st.sampled_from(("", "."))) if form == AMOUNT_FIRST else ""
    parted = len(goods) > 2 and draw(st.booleans())
    ends = draw(st.sampled_from(("", ":")))
    lines: list[tuple[str, float | None, str]] = []
    told: list[str] = []
    part = ""
    for n, item in enumerate(goods):
        if parted and n in (0, len(goods) // 2):
            said, part = tongue.parts[n > 0]
            told.append(draw(st.sampled_from(("", "\n"))) + said + ends)
        amount, unit = draw(st.integers(2, 900)), draw(st.sampled_from(tongue.units))
        told.append(mark + form.format(item=item, amount=f"{amount} {unit}") + stop)
        lines.append((item, amount, part))
    if draw(st.booleans()):
        said, item = draw(st.sampled_from(tongue.bare))
        # What only finishes a dish may stand by itself beneath the list.
        told.append(draw(st.sampled_from(("", "\n"))) + mark + said + stop)
        lines.append((item, None, part))
    return lines, "\n".join(told)


@st.composite
def _method(draw: st.DrawFn, tongue: Tongue) -> tuple[list[str], str]:
    """Steps, numbered in one way or in none, wrapped only where something tells them apart."""
    stop = draw(st.sampled_from((".", "")))
    steps = draw(st.lists(st.sampled_from(tongue.steps), min_size=2, max_size=4, unique=True))
    steps = [f"{step}{stop}" for step in steps]
    words = (f"{tongue.step} {{}}: ", f"{tongue.step} {{}}\n")
    number = draw(st.sampled_from((*NUMBERS, *words)))
    gap = draw(st.sampled_from(("\n", "\n\n")))
    told_apart = gap == "\n\n" or (number != "" and "\n" not in number)
    width = draw(st.sampled_from((NARROW, WIDE))) if told_apart else WIDE
    done = (number.format(n) + "\n".join(wrap(step, width)) for n, step in enumerate(steps, 1))
    return steps, gap.join(done)
