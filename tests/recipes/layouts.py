"""Recipes laid out as cards, pages and notebooks lay them out, with what they say."""

from dataclasses import dataclass
from textwrap import wrap

from hypothesis import strategies as st


@dataclass(frozen=True)
class Tongue:
    """What a card says in one language."""

    goods: tuple[str, ...]
    units: tuple[str, ...]
    steps: tuple[str, ...]
    bare: tuple[str, ...]
    yields: tuple[str, ...]
    ingredients: str
    method: str
    parts: tuple[str, ...]
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
        ("salt", "nutmeg"),
        ("Serves 4", "For 4 people", "4 servings", "Enough for four"),
        "Ingredients",
        "Method",
        ("For the sauce", "For the topping"),
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
        ("sel", "muscade"),
        ("Pour 4 personnes", "4 parts", "Pour : 4 pers."),
        "Ingrédients",
        "Préparation",
        ("Pour la sauce", "Pour le gratin"),
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
        ("Salz", "Muskat"),
        ("Für 4 Personen", "4 Portionen", "Ergibt 4 Portionen"),
        "Zutaten",
        "Zubereitung",
        ("Für die Soße", "Für den Teig"),
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
        ("sal", "nuez moscada"),
        ("Para 4 personas", "4 raciones", "Raciones: 4"),
        "Ingredientes",
        "Elaboración",
        ("Para la salsa", "Para el relleno"),
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
        ("sale", "noce moscata"),
        ("Per 4 persone", "4 porzioni", "Dosi per 4"),
        "Ingredienti",
        "Preparazione",
        ("Per la salsa", "Per il ripieno"),
        "Passo",
    ),
)
MARKS = ("", "- ", "* ", "• ", "☐ ")
ITEM_FIRST = (
    "{item}: {amount}",
    "{item} – {amount}",
    "{item} ..... {amount}",
    "{item}     {amount}",
    "{item} ({amount})",
    "{item}, {amount}",
    "{item} {amount}",
)


@dataclass(frozen=True)
class Laid:
    """A recipe as text, and what has to be read out of it."""

    text: str
    name: str
    lines: list[tuple[str, float | None, str]]
    steps: list[str]


@st.composite
def laid_out(draw: st.DrawFn) -> Laid:
    """One recipe in one of the ways that recipes are written."""
    tongue = draw(st.sampled_from(TONGUES))
    name = draw(st.sampled_from(("Gravadella", "Skerrow pie", "Old harbour stew")))
    portions = draw(st.sampled_from(tongue.yields))
    title = draw(
        st.sampled_from(
            (
                name,
                f"# {name}",
                f"**{name}**",
                f"{name} ({portions})",
                f"{name}\n\n{portions}",
                f"{name}\n{portions}",
                f"{name} | {portions}",
            )
        )
    )
    headed = draw(st.sampled_from(("", "{}", "{}:", "## {}", "{} \n-----", "**{}**")))
    first = draw(st.booleans())
    form = "{amount} {item}" if first else draw(st.sampled_from(ITEM_FIRST))
    mark = draw(st.sampled_from(MARKS))
    goods = draw(st.lists(st.sampled_from(tongue.goods), min_size=2, max_size=6, unique=True))
    sections = draw(st.sampled_from((0, 0, 2)))
    lines: list[tuple[str, float | None, str]] = []
    told: list[str] = []
    for n, item in enumerate(goods):
        section = ""
        if sections and len(goods) > 2:
            section = tongue.parts[0] if n < len(goods) // 2 else tongue.parts[1]
            if n in (0, len(goods) // 2):
                told.append(
                    draw(st.sampled_from(("", "\n"))) + section + draw(st.sampled_from(("", ":")))
                )
        amount, unit = draw(st.integers(2, 900)), draw(st.sampled_from(tongue.units))
        told.append(mark + form.format(item=item, amount=f"{amount} {unit}"))
        lines.append((item, amount, section))
    if draw(st.booleans()):
        told.append(mark + (bare := draw(st.sampled_from(tongue.bare))))
        lines.append((bare, None, ""))
    steps = draw(st.lists(st.sampled_from(tongue.steps), min_size=2, max_size=4, unique=True))
    stop = draw(st.sampled_from((".", ""))) if draw(st.booleans()) else "."
    number = draw(
        st.sampled_from(
            (
                "",
                "{}. ",
                "{}) ",
                "{} ",
                "{}/ ",
                f"{tongue.step} {{}}: ",
                f"{tongue.step} {{}}\n",
                "- ",
            )
        )
    )
    gap = draw(st.sampled_from(("\n", "\n\n")))
    width = (
        draw(st.sampled_from((200, 40)))
        if (number != "" and "\n" not in number) or gap == "\n\n"
        else 200
    )
    done = [
        number.format(n) + "\n".join(wrap(f"{step}{stop}", width))
        for n, step in enumerate(steps, 1)
    ]
    method = headed.format(tongue.method) + "\n" if headed else ""
    top = headed.format(tongue.ingredients) + "\n" if headed else ""
    text = f"{title}\n\n{top}" + "\n".join(told) + f"\n\n{method}" + gap.join(done) + "\n"
    return Laid(text, name, lines, [f"{step}{stop}" for step in steps])
