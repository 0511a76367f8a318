"""The metals Runk ships, each figure with its own source."""

from __future__ import annotations

import difflib
from dataclasses import dataclass
from functools import cache

from runk.core.refusals import Refused
from runk.core.sources import Held, Source, read_table


@dataclass(frozen=True, slots=True)
class Property:
    """One figure of one metal, and where it comes from."""

    value: float
    source: Source


@dataclass(frozen=True, slots=True)
class MetalCaution:
    """What to mind with this metal, for some operations and stages (``*`` for all)."""

    operations: tuple[str, ...]
    stage: str
    word: str
    about: str
    says: str
    source: Source
    from_mm: float = 0.0
    """The smallest diameter it is worth saying at."""


@dataclass(frozen=True, slots=True)
class Metal:
    """A metal as the shop knows it.

    ``chip`` groups metals by how thick a chip they stand: ``steel`` (ordinary),
    ``free`` (iron, brass, aluminium) or ``tough`` (stainless and tool steel). ``like`` is the
    key it was copied from, where it is somebody's own.
    """

    key: str
    name: str
    designation: str
    family: str
    cast: bool
    magnet: str
    colour: str
    chip: str
    coolant: str
    coolant_drill: str
    aliases: tuple[str, ...]
    properties: dict[str, Property]
    cautions: tuple[MetalCaution, ...]
    skin: Metal | None = None
    like: str = ""

    @property
    def kind(self) -> str:
        """Key of the metal it really is: of the one it was copied from, or its own."""
        return self.like or self.key

    @property
    def austenitic(self) -> bool:
        """Whether it hardens under an edge that rubs."""
        return self.family == "stainless" and self.kind != "stainless-416"

    def __getitem__(self, name: str) -> float:
        """A figure by name, such as ``e_gpa``."""
        return self.properties[name].value

    def source(self, name: str) -> Source:
        """Where that figure comes from."""
        return self.properties[name].source

    def __hash__(self) -> int:
        return hash(self.key)


@cache
def shipped_metals() -> dict[str, Metal]:
    """Every metal in the tables by key, as-cast skins included under their own key.

    >>> len(shipped_metals())
    22
    >>> shipped_metals()["brass"]["hss_m_min"]
    75.0
    """
    properties: dict[str, dict[str, Property]] = {}
    for row in read_table("metal_properties"):
        source = Source(row["authority"], Held(row["held"]))
        properties.setdefault(row["metal"], {})[row["property"]] = Property(
            float(row["value"]), source
        )
    aliases: dict[str, list[str]] = {}
    for row in read_table("metal_aliases"):
        aliases.setdefault(row["metal"], []).append(row["alias"])
    cautions: dict[str, list[MetalCaution]] = {}
    for row in read_table("metal_cautions"):
        caution = MetalCaution(
            tuple(row["operations"].split()),
            row["stage"],
            row["word"],
            row["about"],
            row["says"],
            Source(row["authority"], Held.RECALLED),
            float(row["from_mm"] or 0),
        )
        for key in row["metal"].split():
            cautions.setdefault(key, []).append(caution)
    metals: dict[str, Metal] = {}
    # Skins first, so that the metal beneath can point at its own.
    for row in sorted(read_table("metals"), key=lambda r: not r["skin_of"]):
        key, beneath = row["key"], row["skin_of"]
        skin = next((m for m in metals.values() if m.key == f"{key}-skin"), None)
        metals[key] = Metal(
            key,
            row["name"],
            row["designation"],
            row["family"],
            row["cast"] == "yes",
            row["magnet"],
            row["colour"],
            row["chip"],
            row["coolant"],
            row["coolant_drill"],
            tuple(aliases.get(key, ())),
            properties.get(beneath, {}) | properties[key],
            tuple(cautions.get(beneath or key, ())),
            skin,
        )
    order = [row["key"] for row in read_table("metals")]
    return {key: metals[key] for key in order}


def find_metal(text: str, metals: dict[str, Metal]) -> Metal:
    """The metal somebody means.

    Args:
        text: A key, name, designation or any alias, in any case.
        metals: The metals of this workshop by key.

    Raises:
        Refused: None is called that; the nearest names are offered.

    >>> find_metal("EN8", shipped_metals()).name
    'medium-carbon steel'
    """
    if (exact := metals.get(text)) is not None:
        return exact
    wanted = " ".join(text.lower().split())
    names = metal_names(metals)
    if key := names.get(wanted):
        return metals[key]
    if not wanted:
        raise Refused("Which metal is it?", suggest="mild steel")
    near = difflib.get_close_matches(wanted[:60], names, n=3, cutoff=0.6)
    offered = list(dict.fromkeys(metals[names[n]].name for n in near))
    listed = " or ".join(offered) if offered else "mild steel, brass, grey cast iron and so on"
    shown = text if len(text) <= 40 else text[:40] + "…"
    raise Refused(f"I know no metal called `{shown}`.", suggest=listed)


def metal_names(metals: dict[str, Metal]) -> dict[str, str]:
    """Every name a metal goes by, in lower case, to its key."""
    names: dict[str, str] = {}
    for metal in metals.values():
        spoken = (metal.key, metal.name, metal.designation, *metal.aliases)
        for name in spoken:
            names.setdefault(name.lower(), metal.key)
        names.setdefault(metal.name.lower().replace("-", " "), metal.key)
    return names
