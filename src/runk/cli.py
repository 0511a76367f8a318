"""``runk``: demo, serve, ask, calc, read, backup, restore."""

from __future__ import annotations

import argparse
import getpass
import json
import os
import sys
from collections.abc import Iterable
from pathlib import Path
from typing import Any

from runk.ask import Asked, ask
from runk.ask.asked_back import AskedBack, Nearby
from runk.cli_calc import add_calc, answer_told, answered, refused_document
from runk.cli_parts import add_files, add_route, kept_asked
from runk.cli_read import add_read
from runk.cli_strings import add_strings
from runk.core.calculator import Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

PORT = 8765
PHRASE_VARIABLE = "RUNK_PASSPHRASE"


def main(argv: list[str] | None = None) -> int:
    """Run a command; returns the exit status."""
    arguments = _parser().parse_args(argv)
    try:
        status: int = arguments.run(arguments)
    except Refused as refused:
        print(_refusal_words(refused), file=sys.stderr)
        return 1
    except BrokenPipeError:
        return 1
    return status


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="runk", description="What to set on the machine, in the trade's own numbers."
    )
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    one = commands.add_parser("ask", help="answer a line, or one line each from standard input")
    one.add_argument("line", nargs="*", help="such as: turn 22mm silver steel hss")
    one.add_argument("--json", action="store_true", help="print JSON, one document a line")
    one.add_argument(
        "--unit", choices=[u.value for u in PageUnit], default="mm", help="what a bare number means"
    )
    one.set_defaults(run=_ask)
    for name, words in (("demo", "start with the demonstration's data"), ("serve", "start")):
        server = commands.add_parser(name, help=words)
        server.add_argument("--port", type=int, default=PORT)
        lan = "let a tablet of the same network in, with a pass-phrase"
        server.add_argument("--lan", action="store_true", help=lan)
        server.add_argument("--address", default="", help="with --lan: this machine's address")
        server.set_defaults(run=_serve, demo=name == "demo")
    for name, run in (("backup", _backup), ("restore", _restore)):
        mover = commands.add_parser(name, help=f"{name} everything kept")
        mover.add_argument("file", type=Path)
        mover.set_defaults(run=run)
    add_calc(commands, stored_workshop)
    add_read(commands)
    add_strings(commands, stored_workshop)
    add_route(commands, stored_workshop)
    add_files(commands, stored_workshop)
    reset = commands.add_parser("reset-demo", help="throw the demonstration's data away")
    reset.set_defaults(run=_reset_demo)
    return parser


def stored_workshop() -> Workshop:
    """The stored workshop, or Back Shed where nothing is stored."""
    from runk.demo.back_shed import WORKSHOP
    from runk.store.database import Store, database_url, file_of

    if not file_of(database_url()).exists():
        return WORKSHOP
    from runk.store.workshop import WorkshopReader

    store = Store()
    store.migrate()
    workshop = WorkshopReader(store, WORKSHOP).workshop()
    store.close()
    return workshop


def _ask(arguments: argparse.Namespace) -> int:
    workshop, page = stored_workshop(), PageUnit(arguments.unit)
    if arguments.line:
        return _answer_one(" ".join(arguments.line), workshop, page, arguments.json)
    if sys.stdin.isatty():
        raise Refused("Type a question after `runk ask`.", suggest="turn 22mm silver steel hss")
    return _answer_lines(sys.stdin, workshop, page)


def _answer_one(line: str, workshop: Workshop, page: PageUnit, as_json: bool) -> int:
    if as_json:
        document = document_for(line, workshop, page)
        print(json.dumps(document, ensure_ascii=False, allow_nan=False))
        return 1 if "error" in document else 0
    try:
        place = kept_asked(line, workshop, page)
        if place is not None:
            print(
                "\n".join(
                    (place.read_as, "", f"  {place.headline}", *(f"  {x}" for x in place.says))
                )
            )
            return 0
        asked = _asked_on(line, workshop, page)
    except Refused as refused:
        near = refused.nearest() if isinstance(refused, Nearby) else []
        rooms = f" Nearest to it: {'; '.join(one['title'] for one in near)}." if near else ""
        raise Refused(refused.said(page) + rooms, suggest=refused.suggested(page)) from None
    print("\n".join(spoken(asked, page)))
    return 0


def _asked_on(line: str, workshop: Workshop, page: PageUnit) -> Asked:
    """A line's answer; at a terminal what it wants is asked, and the next line answers it."""
    try:
        return ask(line, workshop, page)
    except AskedBack as wanting:
        if not sys.stdin.isatty():
            raise
        return _told_more(wanting, workshop, page)


def _told_more(wanting: AskedBack, workshop: Workshop, page: PageUnit) -> Asked:
    """What was understood with one thing after another that was wanting, until it is whole.

    What cannot be read is asked again; an empty line, or the end of them, asks no more.

    Raises:
        Refused: Nothing more is told, or what was told cannot be.
    """
    calculator, typed = wanting.calculator, dict(wanting.typed)
    refused: Refused = wanting
    asked: set[str] = set()
    while (name := refused.field or "") in calculator.fields:
        if name in typed and name not in asked:
            # The line itself said so: no other answer makes that right.
            raise refused
        asked.add(name)
        print(refused.said(page))
        try:
            more = input(f"{calculator.fields[name].label}: ").strip()
        except EOFError:
            more = ""
        if not more:
            raise refused
        typed[name] = more
        try:
            read = read_question(calculator, typed, page, workshop)
            answer = calculator.ask(read.question, workshop)
        except Refused as failed:
            refused = failed
            continue
        return Asked(calculator, typed, read, answer, sentence(calculator, read, page, workshop))
    raise refused


def _answer_lines(lines: Iterable[str], workshop: Workshop, page: PageUnit) -> int:
    for line in lines:
        if line.strip():
            document = document_for(line.strip(), workshop, page)
            print(json.dumps(document, ensure_ascii=False, allow_nan=False), flush=True)
    return 0


def document_for(
    line: str, workshop: Workshop, page: PageUnit, catalogue: Catalogue = CATALOGUE
) -> dict[str, Any]:
    """A line's answer as plain data, or ``{"error": ...}`` with what to do instead."""
    try:
        place = kept_asked(line, workshop, page)
        if place is not None:
            return place.model_dump()
        asked = ask(line, workshop, page, catalogue)
    except Refused as refused:
        near = refused.members(workshop, page) if isinstance(refused, Nearby) else {}
        return {**refused_document(refused, page), **near}
    return {
        **answered(asked.calculator, asked.read.question, asked.answer, asked.read_as, page),
        "unused": asked.unused,
        "others": [
            {"read_as": other.read_as, "line": other.line, "then": other.then}
            for other in asked.others
        ],
    }


def spoken(asked: Asked, page: PageUnit) -> list[str]:
    """An answer in lines of text, then the second step of the job or the other reading."""
    lines = answer_told(asked.calculator, asked.answer, asked.read_as, page)
    return [*lines, *(f"  {'Then' if o.then else 'Or'}: {o.line}" for o in asked.others)]


def _refusal_words(refused: Refused) -> str:
    return f"{refused.says} Try: {refused.suggest}" if refused.suggest else refused.says


def _phrase() -> str:
    """The pass-phrase: from the environment, or typed; made up where left blank."""
    from runk.api.door import made_up_phrase

    given = os.environ.get(PHRASE_VARIABLE, "")
    if given:
        return given
    if not sys.stdin.isatty():
        raise Refused(f"--lan needs a pass-phrase: put it into {PHRASE_VARIABLE}.")
    typed = getpass.getpass("Pass-phrase for the tablet (Enter makes one up): ")
    if typed.strip():
        return typed
    made = made_up_phrase()
    print(f"The pass-phrase is: {made}")
    return made


def _serve(arguments: argparse.Namespace) -> int:
    from runk.api.door import Door
    from runk.demo.run import demo_url, prepare
    from runk.server import Lan, lan_host, run
    from runk.store.database import Store

    lan = Lan(lan_host(arguments.address), Door(_phrase())) if arguments.lan else None
    store = Store(demo_url() if arguments.demo else None)
    store.migrate()
    if arguments.demo:
        prepare(store)
    run(store, arguments.port, lan)
    return 0


def _backup(arguments: argparse.Namespace) -> int:
    from runk.store.copies import backup
    from runk.store.database import database_url, file_of

    backup(file_of(database_url()), arguments.file)
    print(f"Backed up to {arguments.file}")
    return 0


def _restore(arguments: argparse.Namespace) -> int:
    from runk.api.every_page import read_every_page
    from runk.store.copies import restore
    from runk.store.database import database_url, file_of

    aside = restore(arguments.file, file_of(database_url()), read_every_page)
    print(f"Restored from {arguments.file}." + (f" What was there is in {aside}." if aside else ""))
    return 0


def _reset_demo(_: argparse.Namespace) -> int:
    from runk.demo.run import demo_url, is_demo
    from runk.store.database import Store, file_of

    file = file_of(demo_url())
    if not file.exists():
        print("There is no demonstration to throw away.")
        return 0
    store = Store(demo_url())
    store.migrate()
    with store.reading() as session:
        demo = is_demo(session)
    store.close()
    if demo:
        for path in file.parent.glob(f"{file.name}*"):
            path.unlink()
    print("The demonstration starts afresh next time." if demo else "No demonstration is in it.")
    return 0
