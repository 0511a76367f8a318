"""The command line: one answer, a stream of them, and files moved about."""

from __future__ import annotations

import io
import json
import os
import shutil
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest

from runk.cli import main
from runk.core.refusals import Refused
from runk.demo.back_shed import LATHE
from runk.server import listening
from runk.store.database import Store
from runk.store.machines import add_machine


@pytest.fixture(autouse=True)
def own_data(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """A store of its own, never the user's."""
    file = tmp_path / "mine.sqlite3"
    monkeypatch.setenv("RUNK_DATABASE_URL", f"sqlite:///{file}")
    monkeypatch.setenv("XDG_DATA_HOME", str(tmp_path / "data"))
    return file


def answered(capsys: pytest.CaptureFixture[str], *arguments: str) -> dict[str, Any]:
    """The JSON document a command prints."""
    main(["ask", "--json", *arguments])
    document: dict[str, Any] = json.loads(capsys.readouterr().out)
    return document


def test_json_has_plain_numbers_under_the_same_keys(capsys: pytest.CaptureFixture[str]) -> None:
    document = answered(capsys, "turn 22mm silver steel hss")
    assert set(document) == {
        "calculator",
        "question",
        "answer",
        "figures",
        "cautions",
        "links",
        "read_as",
        "unused",
        "others",
    }
    assert document["answer"]["set_rpm"] == 142
    assert document["answer"]["position"] == "belt 3, back gear"
    for key in (
        "target_rpm",
        "surface_speed_m_min",
        "feed_mm_per_rev",
        "feed_mm_per_min",
        "depth_mm",
        "power_w",
    ):
        assert isinstance(document["answer"][key], float)
    assert document["question"]["metal"] == "silver-steel"


def test_unit_of_bare_numbers(capsys: pytest.CaptureFixture[str]) -> None:
    assert answered(capsys, "--unit", "inch", "turn 1 brass")["question"]["diameter"] == 25.4


def test_words_for_people(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["ask", "bore", "5/8", "cast", "iron", "carbide"]) == 0
    said = capsys.readouterr().out
    assert "belt 3, direct · 860 rev/min" in said
    assert "Mind the dust" in said


def test_an_error_says_what_to_do(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["ask", "turn 1 3/ brass"]) == 1
    assert "unfinished fraction. Try: 1 3/16" in capsys.readouterr().err
    assert "error" in answered(capsys, "turn brass")


def test_a_stream_answers_line_by_line(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(sys, "stdin", io.StringIO("drill #30 brass\n\nnonsense\n1/2\n"))
    assert main(["ask", "--json"]) == 0
    documents = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert [("error" in d) for d in documents] == [False, True, False]
    assert documents[2]["answer"]["mm"] == 12.7


def test_the_stored_workshop_answers(capsys: pytest.CaptureFixture[str], own_data: Path) -> None:
    from dataclasses import replace

    store = Store(f"sqlite:///{own_data}")
    store.migrate()
    with store.writing() as session:
        add_machine(session, replace(LATHE, name="Big lathe", steps=LATHE.steps[:1]))
    store.close()
    assert answered(capsys, "turn 22mm brass")["answer"]["machine"] == "Big lathe"


def test_backup_and_restore(
    capsys: pytest.CaptureFixture[str], own_data: Path, tmp_path: Path
) -> None:
    assert main(["backup", str(tmp_path / "b.sqlite3")]) == 1
    assert "nothing to back up" in capsys.readouterr().err
    Store(f"sqlite:///{own_data}").migrate()
    assert main(["backup", str(tmp_path / "b.sqlite3")]) == 0
    assert main(["restore", str(tmp_path / "b.sqlite3")]) == 0
    assert "What was there is in" in capsys.readouterr().out


def test_resetting_the_demonstration_leaves_the_users_file(own_data: Path) -> None:
    Store(f"sqlite:///{own_data}").migrate()
    assert main(["reset-demo"]) == 0
    assert own_data.exists()


def test_a_busy_port_is_passed_over() -> None:
    import socket

    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        with listening(port)[0] as ours:
            assert ours.getsockname()[1] > port


def test_ask_needs_no_web_server() -> None:
    """Start-up: the line is answered without the web libraries or NumPy being imported."""
    code = (
        "import sys; from runk.cli import main; main(['ask', '1/2']); "
        "print([m for m in ('fastapi', 'numpy', 'sqlalchemy', 'pydantic') if m in sys.modules])"
    )
    run = subprocess.run(
        [sys.executable, "-c", code],
        capture_output=True,
        text=True,
        check=True,
        env=os.environ | {"RUNK_DATABASE_URL": "sqlite:////nowhere/at/all.sqlite3"},
    )
    assert "12.700 mm" in run.stdout
    loaded = run.stdout.strip().splitlines()[-1]
    assert "fastapi" not in loaded
    assert "numpy" not in loaded


def test_the_demonstration_is_never_put_into_somebodys_own_file(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    from runk.demo.run import demo_url, prepare
    from runk.store.engines import add_engine

    url = f"sqlite:///{tmp_path / 'own.sqlite3'}"
    monkeypatch.setenv("RUNK_DATABASE_URL", url)
    assert demo_url() == url
    own = Store(url)
    own.migrate()
    with own.writing() as session:
        add_engine(session, "My own")
    with pytest.raises(Refused, match="a workshop of its own"):
        prepare(own)
    own.close()
    assert main(["reset-demo"]) == 1
    assert (tmp_path / "own.sqlite3").exists()


def test_the_demonstration_goes_where_it_is_told(
    tmp_path: Path, templates: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    from runk.demo.run import prepare

    shutil.copyfile(templates / "filled.sqlite3", tmp_path / "shown.sqlite3")
    url = f"sqlite:///{tmp_path / 'shown.sqlite3'}"
    monkeypatch.setenv("RUNK_DATABASE_URL", url)
    shown = Store(url)
    shown.migrate()
    prepare(shown)
    shown.close()
    assert main(["reset-demo"]) == 0
    assert not (tmp_path / "shown.sqlite3").exists()


def test_a_sentence_of_a_part_is_read_at_the_shell(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    lines = "7mm hole right through\n\ngubbins\nM12x1 thread 13 long right hand end\n"
    monkeypatch.setattr("sys.stdin", io.StringIO(lines))
    assert main(["read", "feature", "--json"]) == 0
    hole, lost, thread = (json.loads(line) for line in capsys.readouterr().out.splitlines())
    assert hole == {"features": [{"kind": "drilled", "size": 7.0}], "read_as": "Drilled hole 7 mm"}
    assert (lost["field"], "gubbins" in lost["error"]) == ("called", True)
    assert thread["features"][0]["screw"] == {"name": "M12x1", "major": 12.0, "pitch": 1.0}
    assert main(["read", "blank", "--unit", "inch", "--json", "3/4", "brass", "rod"]) == 0
    rod = json.loads(capsys.readouterr().out)
    assert (rod["metal"], rod["features"][0]["dia"]) == ("brass", pytest.approx(19.05))
    # One line alone that cannot be read is a failure, and says what to type.
    assert main(["read", "feature", "bore", "22"]) == 1
    assert "begin" in capsys.readouterr().out


def _at_a_terminal(monkeypatch: pytest.MonkeyPatch, *lines: str) -> None:
    """Somebody types these lines, one after another, and then no more."""
    typed = iter(lines)

    def more(_prompt: str) -> str:
        try:
            return next(typed)
        except StopIteration:
            raise EOFError from None

    monkeypatch.setattr("sys.stdin.isatty", lambda: True)
    monkeypatch.setattr("builtins.input", more)


def test_at_a_terminal_the_next_line_answers_what_was_wanting(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    _at_a_terminal(monkeypatch, "nonsense", "0.5")
    assert main(["ask", "distance of centres, 64 and 8 teeth"]) == 0
    said = capsys.readouterr().out
    assert "Which module" in said
    # What could not be read was asked again: half the module by both wheels' teeth.
    assert "18.000 mm" in said


@pytest.mark.parametrize("lines", [(), ("",)])
def test_who_tells_no_more_is_told_what_was_wanting(
    lines: tuple[str, ...], capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    _at_a_terminal(monkeypatch, *lines)
    assert main(["ask", "drill 6 mm"]) != 0
    assert "What metal is it?" in capsys.readouterr().err
