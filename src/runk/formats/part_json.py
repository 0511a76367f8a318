"""Parts and their routes as versioned JSON, out and in; nothing is taken of a file that fails."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import asdict, dataclass, field
from functools import lru_cache
from typing import Any

from runk.core.calculator import AnyCalculator
from runk.core.fits.question import duties
from runk.core.metals.metal import Metal, find_metal
from runk.core.questions import Read, sentence
from runk.core.refusals import Refused
from runk.core.route.drawn.together import one_each
from runk.core.route.feature import BLANK, FEATURE
from runk.core.route.part import Part
from runk.core.route.propose import Proposed
from runk.core.route.reading import blank_heard, part_of
from runk.core.route.route import Job, Route, SetUp, step_of
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.hung_json import hung_of

VERSION = 2
MOST_WANTED, MOST_OF_ONE = 300, 10_000
MOST_DONE = 2000
MOST_PARTS, MOST_SET_UPS, MOST_LINES, LONGEST_LINE = 200, 100, 400, 300
_PART = frozenset(
    {
        "name",
        "metal",
        "blank",
        "features",
        "notes",
        "tries",
        "alike",
        "harden",
        "route",
        "overruled",
        "unit",
        "done",
        "proved",
        "at_least",
        "reasons",
        "measured",
        "schools",
    }
)


@dataclass(frozen=True)
class PartFile:
    """A part of a file: itself, its route where it has one, lines ticked, it as typed, and read."""

    part: Part
    route: Route | None = None
    done: tuple[str, ...] = ()
    drawn: dict[str, Any] = field(default_factory=dict)
    measured: dict[str, str] = field(default_factory=dict)
    proof: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Together:
    """A hole of one part and a shaft of another, by their names, and what they do."""

    hole: tuple[str, str]
    shaft: tuple[str, str]
    duty: str


@dataclass(frozen=True, slots=True)
class Wanted:
    """Something an engine wants: in words, how many, how it stands, and whether it is bought."""

    what: str
    many: int
    state: str
    bought: bool


@dataclass(frozen=True)
class EngineFile:
    """What a file holds.

    Args:
        engine: Its name; empty where the file is of parts alone.
        parts: Those that are drawn, in order.
        named: Those that are only named yet, as they are kept.
        goes_with: Which features of which parts go together, and what they do.
        wanted: What is wanted for it, and how it stands.
        note: On the engine.
        order: Names of its parts as the file has them.
        hung: Answers kept, cuts and mates of its parts, as plain data.
    """

    engine: str
    parts: tuple[PartFile, ...]
    named: tuple[dict[str, Any], ...] = ()
    goes_with: tuple[Together, ...] = ()
    wanted: tuple[Wanted, ...] = ()
    note: str = ""
    order: tuple[str, ...] = ()
    hung: dict[str, list[dict[str, Any]]] = field(default_factory=dict)


def engine_of(
    document: Any,
    metals: Mapping[str, Metal],
    page: PageUnit = PageUnit.MM,
    named: bool = False,
    failed: list[tuple[str, Refused]] | None = None,
) -> EngineFile:
    """An engine or its parts from a document.

    Args:
        document: As JSON gives it: an object with ``parts``, a list of parts, or one part.
        metals: Metals there are.
        page: What a bare number means, where the file does not say ``unit``.
        named: Whether parts without features are taken, as names to be drawn later.
        failed: Takes parts that cannot be made, each with why; else one such refuses the file.

    Raises:
        Refused: It is of a newer version, or some part of it cannot be read.
    """
    if isinstance(document, list):
        document = {"parts": document}
    if not isinstance(document, dict):
        raise Refused("That file holds no parts.", field="file")
    version = document.get("version", VERSION)
    if not isinstance(version, int) or isinstance(version, bool) or not 1 <= version <= VERSION:
        raise Refused(
            f"That file is of version {str(version)[:20]}; this Runk reads up to {VERSION}.",
            field="version",
            suggest="a newer Runk",
        )
    rows = document.get("parts", [document] if "features" in document else None)
    if not isinstance(rows, list) or not rows:
        raise Refused("That file holds no parts.", field="parts")
    if len(rows) > MOST_PARTS:
        raise Refused(f"{len(rows)} parts: {MOST_PARTS} are the most of one file.", field="parts")
    unit = _unit(document.get("unit", page.value))
    bare = [row for row in rows if named and isinstance(row, dict) and not row.get("features")]
    parts: list[PartFile] = []
    order: list[str] = []
    for n, row in enumerate(rows, 1):
        if row in bare:
            order.append(_text(row, "name", 120))
            continue
        try:
            parts.append(_part(row, n, metals, unit))
            order.append(parts[-1].part.name)
        except Refused as refused:
            if failed is None:
                raise
            called = row.get("name") if isinstance(row, dict) else None
            failed.append((str(called or f"part {n}")[:120], refused))
    only = tuple(_named(row, metals) for row in bare)
    names = [one.part.name.casefold() for one in parts] + [one["name"].casefold() for one in only]
    for name in names:
        if names.count(name) > 1:
            raise Refused(f"Two parts are called {name}.", field="name")
    together = tuple(_together(one, names) for one in _list(document, "goes_with"))
    wanted = tuple(_wanted(document))
    return EngineFile(
        _text(document, "engine", 120),
        tuple(parts),
        only,
        together,
        wanted,
        _text(document, "note"),
        tuple(order),
        hung_of(document, set(names)),
    )


def _together(row: Any, names: list[str]) -> Together:
    """Two features that go together, of parts that are in the file."""
    if not isinstance(row, dict):
        raise Refused("`goes_with` is a list of hole, shaft and duty.", field="goes_with")
    sides = [row.get("hole"), row.get("shaft")]
    for side in sides:
        if not (
            isinstance(side, list) and len(side) == 2 and all(isinstance(x, str) for x in side)
        ):
            raise Refused(
                "A hole or shaft is the name of a part and of a feature.", field="goes_with"
            )
        if side[0].casefold() not in names:
            raise Refused(f"There is no part {side[0][:60]} in that file.", field="goes_with")
    duty = _text(row, "duty", 40)
    if duty not in duties():
        raise Refused(f"I know no duty `{duty}`.", field="duty", suggest="running")
    (hole, into), (shaft, goes) = sides  # type: ignore[misc]
    return Together((hole, into), (shaft, goes), duty)


def _unit(unit: Any) -> PageUnit:
    if unit not in {one.value for one in PageUnit}:
        raise Refused(f"A file is in mm or inch, not `{str(unit)[:20]}`.", field="unit")
    return PageUnit(unit)


def _text(row: Mapping[str, Any], name: str, longest: int = 2000) -> str:
    value = row.get(name, "")
    if not isinstance(value, str):
        raise Refused(f"`{name}` is to be text.", field=name)
    if len(value) > longest:
        raise Refused(f"`{name}` has {len(value)} characters; {longest} are the most.", field=name)
    return value.strip()


def _list(row: Mapping[str, Any], name: str) -> list[Any]:
    value = row.get(name, [])
    if not isinstance(value, list):
        raise Refused(f"`{name}` is to be a list.", field=name)
    return value


def _part(row: Any, n: int, metals: Mapping[str, Metal], page: PageUnit) -> PartFile:
    if not isinstance(row, dict):
        raise Refused(f"Part {n} is no object with a name and features.", field="parts")
    strange = sorted(set(row) - _PART - {"runk", "version"})
    if strange:
        raise Refused(f"Part {n}: I do not know `{strange[0][:40]}`.", field=strange[0][:40])
    name = _text(row, "name", 120) or f"part {n}"
    metal = _metal(_text(row, "metal", 80), metals)
    tries = row.get("tries", {})
    if not isinstance(tries, dict) or not all(isinstance(v, str) for v in tries.values()):
        raise Refused(f"{name}: `tries` is feature by feature what is tried on it.", field="tries")
    alike = row.get("alike", 1)
    if not isinstance(alike, int) or isinstance(alike, bool) or not 1 <= alike <= 1000:
        raise Refused(f"{name}: `alike` is how many are made, 1 to 1000.", field="alike")
    blank = row.get("blank")
    if not isinstance(blank, str | dict):
        raise Refused(f"{name}: what is it made from?", field="blank", suggest="bar 25 mm")
    features = _list(row, "features")
    if "unit" in row:
        page = _unit(row["unit"])
    if not all(isinstance(one, str | dict) for one in features):
        raise Refused(f"{name}: a feature is a line or an object.", field="features")
    if isinstance(blank, str):
        heard = blank_heard(blank, page)
        metal, stock = metal or heard.metal, heard.asked
        lines = [one for one in features if isinstance(one, str)]
        if len(lines) == len(features):
            features = one_each(lines, stock, page)
    part = part_of(
        name,
        metal,
        blank,
        features,
        page,
        notes=tuple(_as_typed(row, "notes")),
        tries={str(k): v for k, v in tries.items()},
        alike=alike,
        harden=_yes(row, "harden"),
        schools=_words(row, "schools", 10),
    )
    lost = sorted(set(part.tries) - set(part.by_key))
    if lost:
        raise Refused(f"{name} has no feature `{lost[0][:60]}` to try.", field="tries")
    drawn = {
        "blank": blank if isinstance(blank, str) else said(BLANK, part.blank, page),
        "features": [
            typed if isinstance(typed, str) else said(FEATURE, one.asked, page)
            for typed, one in zip(features, part.features, strict=True)
        ],
        "notes": list(part.notes),
        "tries": dict(part.tries),
        "alike": part.alike,
        "harden": part.harden,
        "unit": page.value,
    }
    if part.schools:
        drawn["schools"] = dict(part.schools)
    measured = _words(row, "measured", 200)
    route = _route(row, name)
    proof = _proof(row, name) if route is not None else {}
    return PartFile(part, route, tuple(_as_typed(row, "done", MOST_DONE)), drawn, measured, proof)


def _proof(row: Mapping[str, Any], name: str) -> dict[str, Any]:
    """Whether a route was proved, what every route costs at least, and why it is as it is."""
    proved, least = row.get("proved", False), row.get("at_least", 0)
    if not isinstance(proved, bool) or not isinstance(least, int) or isinstance(least, bool):
        raise Refused(f"{name}: `proved` is yes or no, `at_least` a count.", field="proved")
    reasons = _list(row, "reasons")
    if len(reasons) > MOST_LINES or not all(
        isinstance(one, dict)
        and {"rule", "says"} == set(one)
        and all(isinstance(words, str) and len(words) <= _LONGEST_REASON for words in one.values())
        for one in reasons
    ):
        raise Refused(f"{name}: `reasons` are rules and what they forced.", field="reasons")
    proof = {"proved": proved, "at_least": max(0, least), "reasons": reasons}
    return {name: value for name, value in proof.items() if name in row}


_LONGEST_REASON = 1000
_STATES = ("missing", "ordered", "here")


def _wanted(document: Mapping[str, Any]) -> Iterator[Wanted]:
    rows = _list(document, "wanted")
    if len(rows) > MOST_WANTED:
        raise Refused(f"{len(rows)} things are wanted: {MOST_WANTED} at most.", field="wanted")
    for row in rows:
        if not isinstance(row, dict):
            raise Refused("A thing wanted is an object.", field="wanted")
        what, many = _text(row, "what", 120), row.get("many", 1)
        if (
            not what
            or not isinstance(many, int)
            or isinstance(many, bool)
            or not 1 <= many <= MOST_OF_ONE
        ):
            raise Refused("A thing wanted has a name and a count.", field="wanted")
        if row.get("state", "missing") not in _STATES:
            raise Refused(f"{what[:40]} is {' or '.join(_STATES)}.", field="wanted")
        yield Wanted(what, many, str(row.get("state", "missing")), _yes(row, "bought"))


def _words(row: Mapping[str, Any], name: str, most: int) -> dict[str, str]:
    """Short words by short names."""
    found = row.get(name, {})
    if (
        not isinstance(found, dict)
        or len(found) > most
        or not all(isinstance(v, str) and len(v) <= 100 and len(k) <= 60 for k, v in found.items())
    ):
        raise Refused(f"`{name}` is name by name a few words.", field=name)
    return found


def _named(row: Mapping[str, Any], metals: Mapping[str, Metal]) -> dict[str, Any]:
    name = _text(row, "name", 120)
    if not name:
        raise Refused("A part has no name.", field="name")
    metal = _metal(_text(row, "metal", 80), metals)
    return {"name": name, "metal": metal, "drawn": None, "route": None, "done": []}


def _metal(name: str, metals: Mapping[str, Metal]) -> str:
    return "" if not name else find_metal(name, dict(metals)).key


def _yes(row: Mapping[str, Any], name: str) -> bool:
    value = row.get(name, False)
    if not isinstance(value, bool):
        raise Refused(f"`{name}` is true or false.", field=name)
    return value


def _as_typed(row: Mapping[str, Any], name: str, most: int = MOST_LINES) -> list[str]:
    found = _list(row, name)
    if not all(isinstance(one, str) and len(one) <= LONGEST_LINE for one in found):
        raise Refused(
            f"`{name}` is a list of lines of up to {LONGEST_LINE} characters.", field=name
        )
    if len(found) > most:
        raise Refused(f"`{name}` has {len(found)} lines; {most} are the most.", field=name)
    return list(found)


def _lines(row: Mapping[str, Any], name: str) -> list[str]:
    return [" ".join(one.split()) for one in _as_typed(row, name)]


def _route(row: Mapping[str, Any], name: str) -> Route | None:
    if "route" not in row:
        return None
    found = []
    for n, one in enumerate(_list(row, "route"), 1):
        if not isinstance(one, dict):
            raise Refused(f"{name}: set-up {n} is no object.", field="route")
        does = _lines({"does": one.get("does", one.get("operations", []))}, "does")
        found.append(SetUp(_text(one, "hold", 200), tuple(does), _text(one, "packing", 60)))
    if len(found) > MOST_SET_UPS:
        raise Refused(f"{name}: {len(found)} set-ups; {MOST_SET_UPS} are the most.", field="route")
    overruled = row.get("overruled", {})
    if not isinstance(overruled, dict) or not all(isinstance(v, str) for v in overruled.values()):
        raise Refused(f"{name}: `overruled` is rule by rule the reason.", field="overruled")
    return Route(tuple(found), {str(k): v for k, v in overruled.items()})


def spoken_route(job: Job, route: Route) -> Route:
    """A route with its lines as the part names them, however they were written.

    Args:
        job: The part.
        route: As typed.
    """
    if all(
        one.hold in job.hold_by_key and all(x in job.by_key or step_of(x) for x in one.does)
        for one in route.set_ups
    ):
        return route
    said = job.part.said
    keys = {_plain(name): key for key in job.by_key for name in (said(key), key)}
    holds = {_plain(name): key for key in job.hold_by_key for name in (said(key), key)}
    return Route(
        tuple(
            SetUp(
                holds.get(_plain(one.hold), one.hold),
                tuple(line if step_of(line) else keys.get(_plain(line), line) for line in one.does),
                one.packing,
            )
            for one in route.set_ups
        ),
        route.overruled,
    )


def _plain(words: str) -> str:
    return " ".join(words.casefold().replace(",", " ").replace(":", " ").split())


@lru_cache(maxsize=4096)
def said(calculator: AnyCalculator, question: Any, page: PageUnit) -> str:
    """A feature or a blank as its sentence: worked out once, however often it is looked at."""
    return sentence(calculator, Read(question, {}), page, Workshop(()))


def route_kept(route: Route) -> dict[str, Any]:
    """A route as it is kept: set-ups, and rules overruled.

    >>> from runk.core.route.route import SetUp
    >>> route_kept(Route((SetUp("in a collet", ("face 0: face",)),)))["set_ups"]
    [{'hold': 'in a collet', 'packing': '', 'does': ['face 0: face']}]
    """
    ups = [
        {"hold": one.hold, "packing": one.packing, "does": list(one.does)} for one in route.set_ups
    ]
    return {"set_ups": ups, "overruled": dict(route.overruled)}


def proposal_kept(found: Proposed) -> dict[str, Any]:
    """A route proposed as it is kept, with whether it is proved and why it is so."""
    return {
        **route_kept(found.route),
        "proved": found.proved,
        "at_least": found.at_least,
        "reasons": [{"rule": one.rule, "says": one.says} for one in found.reasons],
    }


def engine_plain(
    engine: str,
    rows: Iterable[Mapping[str, Any]],
    page: PageUnit = PageUnit.MM,
    goes_with: Iterable[Together] = (),
    wanted: Iterable[Wanted] = (),
    note: str = "",
    hung: Mapping[str, list[dict[str, Any]]] | None = None,
) -> dict[str, Any]:
    """An engine as a document that :func:`engine_of` reads back.

    Args:
        engine: Its name.
        rows: Its parts as plain data.
        page: What a bare number means in those that do not say.
        goes_with: What goes with what.
        wanted: What is wanted for it.
        note: On it.
        hung: Answers kept, cuts and mates of its parts, by the name of their list.
    """
    wants = [asdict(one) for one in wanted]
    together = [
        {"hole": list(one.hole), "shaft": list(one.shaft), "duty": one.duty} for one in goes_with
    ]
    return {
        "runk": "parts",
        "version": VERSION,
        "unit": page.value,
        "engine": engine,
        **({"note": note} if note else {}),
        "parts": [dict(row) for row in rows],
        **({"goes_with": together} if together else {}),
        **({"wanted": wants} if wants else {}),
        **{name: rows for name, rows in (hung or {}).items() if rows},
    }
