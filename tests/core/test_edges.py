"""Where each warning begins and ends: every threshold asked a hair to either side.

One row an edge: what is asked, the field that is moved and where it turns, and what stands on
that side of it and not on the other. Where an edge follows from other sizes it is reckoned from
them (`deep > 4 * size`), beside the core and not by it. The numbers themselves are practice; their
sources stand in docs/sources.md.
"""

from __future__ import annotations

import re

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Count
from runk.core.lengths import read_length
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

_HAIR = 0.004
"""Of the edge: near enough that a figure a tenth off is seen, far enough from rounding."""


def stands(name: str, typed: dict[str, str], what: str) -> bool:
    """Whether a question is answered (or refused) with this: a caution, a word of the answer."""
    calculator = CATALOGUE[name]
    try:
        read = read_question(calculator, typed, PageUnit.MM, WORKSHOP)
        answer = calculator.ask(read.question, WORKSHOP)
    except Refused as refused:
        return what.startswith("refused: ") and what[9:] in refused.said(PageUnit.MM)
    word, _, rest = what.partition(" ")
    if word in ("Mind", "Stop"):
        found = getattr(answer, "cautions", ())
        return any(c.word == word and c.about == rest for c in found)
    if what.startswith("refused"):
        return False
    return str(getattr(answer, word, "")) == rest.removeprefix("= ")


def sizes(name: str, typed: dict[str, str]) -> dict[str, float]:
    """What an edge may be reckoned from: every size typed, the thread's too."""
    found: dict[str, float] = {}
    for field, text in typed.items():
        if field == "thread":
            thread = find_thread(text)
            found |= {"major": thread.major_mm, "pitch_": thread.pitch_mm}
            continue
        try:
            found[field] = float(read_length(text, PageUnit.MM).mm)
        except Refused:
            continue
    return found


def given(text: str) -> dict[str, str]:
    """The fields of a row as they would be typed."""
    return dict(part.split(" ", 1) for part in text.split("; ") if part)


def rows(table: str) -> list[tuple[str, ...]]:
    return [tuple(row.split(" | ")) for row in table.strip().splitlines()]


EDGES = """
balance | throw 12 mm; pin 6 mm; long 10 mm; web 12 mm; thick 5 mm; reach 22 mm; big_end 6; reciprocating 20 | webs >= 2 | Mind the room
balance | throw 12 mm; pin 6 mm; long 10 mm; web 12 mm; thick 5 mm; reach 22 mm; big_end 6; reciprocating 20 | inner > 22 | refused: The weight begins where its room ends
balance | throw 12; pin 6; long 10; web 12; thick 5; reach 22; big_end 6; reciprocating 20 | reach < 6 | refused: The weight begins where its room ends
balance | throw 12; pin 6; long 10; web 12; thick 5; reach 22; big_end 6; reciprocating 20 | web > 44 | refused: The weight begins where its room ends
balance | throw 12 mm; pin 6 mm; long 10 mm; web 12 mm; thick 5 mm; reach 22 mm; big_end 6; reciprocating 20 | inner < 22 | refused: mm thick does not balance it in that room:
balance | throw 12; pin 6; long 10; web 12; thick 5; reach 22; big_end 6; reciprocating 20 | reach > 6 | refused: mm thick does not balance it in that room:
balance | throw 12; pin 6; long 10; web 12; thick 5; reach 22; big_end 6; reciprocating 20 | web < 44 | refused: mm thick does not balance it in that room:
balance | throw 12 mm; pin 6 mm; long 10 mm; web 12 mm; thick 5 mm; reach 22 mm; big_end 6; reciprocating 20 | webs <= 1 | refused: mm thick does not balance it in that room:
bond | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | gap < 0.02 | Mind the gap
bond | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | pin > 1/3 * size | Mind the pin
bond | size 11; length 8; gap 0.05; pin 3; turned 30 | size < 9 | Mind the pin
bond | size 11; length 8; gap 0.05; pin 3; turned 30 | gap < 0.2 | Stop the cut
bond | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | gap > 0.2 | Stop the gap
bond | length 12; hot 130; size 10 | hollow < 10 | Stop the heat
bond | length 12; hot 130; size 10 | hot > 120 | Stop the heat
bond | length 12; hot 130; size 10 | hub > 10 | Stop the heat
bond | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | hollow < 11 | full = a day
bond | size 11; length 8; gap 0.05; pin 3; turned 30 | hub > 11 | full = a day
bond | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | hollow > 11 | refused: The bore through the shaft leaves no shaft
bond | size 11; length 8; gap 0.05; pin 3; turned 30 | hub < 11 | refused: mm has no metal round a
circle | count 6; circle 31 mm; hole 3.2 mm; bore 22 mm; rim 40 mm | count >= 21 | Mind the spacing
circle | pattern circle; count 6; bore 22; rim 40; circle 31 | hole > 4.5 | Mind the rim
circle | count 6; circle 31 mm; hole 3.2 mm; bore 22 mm; rim 40 mm | count >= 31 | Stop the spacing
circle | pattern circle; count 6; bore 22; rim 40; circle 31 | circle > 40 | Stop the rim
circle | pattern circle; count 6; bore 22; rim 40; circle 31 | hole > 9 | Stop the rim
circle | count 6; circle 31 mm; hole 3.2 mm; bore 22 mm; rim 40 mm | count <= 1 | refused: One hole lies at a place, not in a pattern: ask for its plac
cover | thread M4; count 6; pressure 5 bar; seal 30 | circle > 48 | Mind leaks
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | count <= 2 | Mind leaks
cover | thread M4; count 6; pressure 5 bar; seal 30 | rim > 66 | Mind leaks
cover | thread M4; count 6; pressure 5 bar; seal 30 | seal > 38 | Mind leaks
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | circle > major + seal | Mind stored energy
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | count <= 17 | Mind stored energy
cover | thread M3; pressure 80 psi; seal 22 | rim > 22 | Mind stored energy
cover | thread M3; seal 24; rim 42; pressure 80 psi | seal < 42 | Mind stored energy
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | count >= 8 | Mind the spanner
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | circle > major + seal | Mind the wall
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | count <= 17 | Mind the wall
cover | thread M3; pressure 80 psi; seal 22 | rim > 22 | Mind the wall
cover | thread M3; seal 24; rim 42; pressure 80 psi | seal > 27 | Mind the wall
cover | thread M3; pressure 80 psi; seal 22 | count <= 2 | Stop the stress
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | circle < major + seal | refused: A stud circle of
cover | thread M3; circle 31; pressure 80 psi; seal 22 | seal > 28 | refused: A stud circle of
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | circle > rim - major | refused: mm runs off a cover of
cover | thread M3; circle 31; pressure 80 psi; seal 22 | rim > 22 | refused: mm runs off a cover of
cover | thread 4 BA; pressure 80 psi; seal 11/16"; rim 1 1/4" | count >= 18 | refused: mm overlap: they stand
cover | thread M3; pressure 80 psi; seal 22 | count >= 26 | refused: mm overlap: they stand
cover | thread M3; pressure 80 psi; seal 22 | rim < 22 | refused: mm across does not cover a bore of
cover | thread M3; seal 24; rim 42; pressure 80 psi | seal > 42 | refused: mm across does not cover a bore of
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | across < 3.5 | Mind the compound
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | gap < 70 | Mind the compound
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | long > 20 | Mind the compound
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | main < 16.7984 | Mind the compound
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | pin < 15.7984 | Mind the compound
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | stroke > 15.2016 | Mind the compound
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | thick < 35 | Mind the compound
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | long > 2.5 * stroke | Mind the length
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | main < 8 | Mind the length
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | gap < 70 | Mind the throw
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | long > 20 | Mind the throw
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | thick < 35 | Mind the throw
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | main > 13.8984 | Mind the web
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | main > 14.8984 | Stop the web
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | pin > 12.8984 | Mind the web
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | stroke > 15.2016 | Stop the web
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | gap < 70 | says = Stiff enough: a spring pass or two at the last setting.
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | long > 20 | says = Stiff enough: a spring pass or two at the last setting.
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | thick < 35 | says = Stiff enough: a spring pass or two at the last setting.
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | across > 3.5 | refused: A pin over half its joint leaves nothing of it
crank | way solid; stroke 38.1; main 9.525; pin 9.525 | long > 500 | refused: mm between centres
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | gap > 70 | refused: The webs alone are as long as the whole shaft
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | long < 20 | refused: The webs alone are as long as the whole shaft
crank | way built; stroke 24 mm; main 8 mm; pin 7 mm | thick > 35 | refused: The webs alone are as long as the whole shaft
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | main > 16.7984 | refused: mm the two bores run into each other: they want
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | pin > 15.7984 | refused: mm the two bores run into each other: they want
crank | stroke 24; main 8; pin 7; bore 22; pressure 5 bar | stroke < 15.2016 | refused: mm the two bores run into each other: they want
die | metal silver-steel; thread 2BA | long > 0.81 | Mind the drive
die | metal stainless-303; thread M4 | long > 0.7 | Mind the swarf
die | thread M3; metal stainless-303; long 16 | long > 24 | Mind the twist
die | metal silver-steel; thread 2BA | long > 0.81 | back_off_says = One or two turns on, half a turn back.
die | metal stainless-303; thread M4 | long > 0.7 | back_off_says = One turn on, half back; never stop half way through a turn.
die | metal silver-steel; thread 2BA | long < 0.81 | refused: mm is less than one turn of
die | metal stainless-303; thread M4 | long < 0.7 | refused: mm is less than one turn of M
divide | count 22 | count >= 59 | Mind the round
divide | count 22 | count <= 2 | arms = Not needed: whole turns, back into the same hole.
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | bore < 16 | Mind engaging it
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | outside > 10 | Mind engaging it
dog | outside 19.05; bore 7.9375; dogs 3; torque 2 | slack < 0.25 * outside | Mind engaging it
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | bore < 16 | Mind the phase
dog | outside 20 mm; bore 8 mm; throw 12 mm | dogs >= 2 | Mind the phase
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | outside > 10 | Mind the phase
dog | outside 19.05; bore 7.9375; dogs 3; torque 2 | slack < 0.25 * outside | Mind the phase
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | bore > 16 | refused: mm leaves no face of
dog | outside 20; bore 8; dogs 3; throw 12; torque 2 | outside < 10 | refused: mm leaves no face of
dog | outside 19.05; bore 7.9375; dogs 3; torque 2 | slack > 0.25 * outside | refused: That much play is no clutch
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | shaft < 4 * throw | Mind the thin side
eccentric | travel 5 mm; shaft 8 mm | sheave > 13 | Mind the thin side
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | throw < 0.7 * shaft | Mind the thin side
eccentric | travel 5 mm; shaft 8 mm | play < 2.5 | Mind the weight
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | shaft < 4 * throw | Mind the weight
eccentric | travel 5 mm; shaft 8 mm | sheave > 13 | Mind the weight
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | throw < 0.7 * shaft | Mind the weight
eccentric | travel 5; shaft 2; sheave 12; play 0.2 | sheave < 10 | Stop the throw
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | throw > 0.6 * shaft | Stop the throw
eccentric | travel 5 mm; shaft 8 mm | play > 2.5 | refused: All the travel is lost: the play is as large as the throw
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | shaft > 4 * throw | refused: mm sheave does not reach round a
eccentric | travel 5 mm; shaft 8 mm | sheave < 13 | refused: mm sheave does not reach round a
eccentric | throw 3.175; shaft 7.9375; sheave 19.05; wide 6.35 | throw > 0.7 * shaft | refused: mm sheave does not reach round a
faults | sign bell-mouth; far 20; near 20.02; apart 30 | far > 0.5 * near | first = chucked work springs away at its free end
faults | sign bell-mouth; far 20; near 20.02; apart 30 | near > 10 | first = the bar springs least where it enters
faults | sign bell-mouth; far 20; near 20.02; apart 30 | far < 0.5 * near | refused: Those two differ by more than the smaller one: is one of the
faults | sign bell-mouth; far 20; near 20.02; apart 30 | near < 10 | refused: Those two differ by more than the smaller one: is one of the
fit | size 22; hole H7; shaft g6 | size < 120 | Mind both sides
fit | duty press; size 10 | made > 9.9 | Mind going together
fit | duty flywheel; size 10 | made > 9.9 | Mind the shaft
fit | size 22; hole H7; shaft g6 | size > 120 | Mind the shaft
fit | duty flywheel; size 10 | made > 9.9 | first = The hole as it measures; the shaft to it.
fit | duty ringless; size 25.4 | made < 1.01 * size | kind = clearance
fit | duty flywheel; size 10 | made < 9.9 | refused: is it that part
flats | bar 3/8 in; shape 4 | across < 9.525 | Mind the corners
flats | bar 10; across 7 | bar > 7 | Mind the corners
flats | bar 3/8 in; shape 4 | across > 9.525 | refused: mm across does not come off a
flats | bar 10; across 7 | bar < 7 | refused: mm across does not come off a
gear | teeth 22; module 0.7; mate 44 | teeth >= 6 | Mind the guard
gear | teeth 22; module 0.7; mate 44 | teeth >= 12 | Mind the root
gear | teeth 22; module 0.7; mate 44 | mate <= 12 | Mind the tips
gear | teeth 22; module 0.7; mate 44 | teeth >= 6 | Mind the tips
gear | teeth 22; module 0.7; mate 44 | teeth >= 6 | Stop the teeth
gear | teeth 22; module 0.7; mate 44 | teeth >= 6 | cutter = none is made
gear | teeth 22; module 0.7; mate 44 | teeth <= 5 | refused: teeth make no wheel that runs: their flanks would be cut awa
grip | way three-jaw; dia 25; at 30; force 300 | at < 1.25 * dia | Mind the grip
grip | way three-jaw; dia 25; at 30; force 300 | bore < 25 | Mind the grip
grip | way three-jaw; dia 25; at 30; force 300 | dia > 24 | Mind the grip
grip | way three-jaw; dia 25 mm; at 30 mm | bore > 19.696 | Stop the ring
grip | way three-jaw; dia 25; at 30; force 300 | at > 1.25 * dia | Stop the grip
grip | way collet; dia 12; force 400 | bore < 12 | Stop the grip
grip | way three-jaw; dia 25; at 30; force 300 | dia < 24 | Stop the grip
grip | way three-jaw; dia 25; at 30; force 300 | at < 1.25 * dia | holds = holds
grip | way three-jaw; dia 25 mm; at 30 mm | bore < 25 | holds = holds
grip | way three-jaw; dia 25; at 30; force 300 | dia > 24 | holds = holds
grip | way collet; dia 12; force 400 | bore < 12 | holds = slips
grip | way three-jaw; dia 25 mm; at 30 mm | bore > 25 | refused: mm has no wall at
harden | metal silver-steel; thick 6 | thick > 20 | Mind the thickness
harden | metal silver-steel; thick 6 | thick < 3 | quench = oil
hole | size 6; metal gunmetal; finish machine-reamed; deep 20 | counterbore > 6 | Mind breaking through
hole | finish bored; metal grey-iron; deep 40; size 22 | size > 5 | Mind breaking through
hole | size 6; metal gunmetal; finish machine-reamed; deep 20 | there < 6 | Mind breaking through
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind closing in
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 6 | Mind closing in
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 5.9 | Mind its place
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind the axis
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 6 | Mind the axis
hole | finish bored; metal grey-iron; deep 40; size 22 | counterbore > 22 | Mind the dust
hole | finish bored; metal grey-iron; deep 40; size 22 | size > 5 | Mind the dust
hole | finish bored; metal grey-iron; deep 40; size 22 | there < 22 | Mind the dust
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind the grip
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 5.85 | Mind the grip
hole | metal mild-steel; size 12; deep 30 | there < 12 | Mind the load
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind the reamer
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 6 | Mind the reamer
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind the snatch
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 5.85 | Mind the snatch
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | Mind the swarf
hole | finish bored; metal grey-iron; deep 40; size 22 | size > 5 | Mind the swarf
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 6 | Mind the swarf
hole | finish hand-reamed; metal brass; size 4 | counterbore > 4 | Mind what is left
hole | finish hand-reamed; metal brass; size 4 | there < 3.925 | Mind what is left
hole | metal mild-steel; size 12; deep 30 | counterbore > 12 | coolant = cutting oil
hole | metal mild-steel; size 12; deep 30 | there < 12 | coolant = cutting oil
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 6 | coolant = dry
hole | finish bored; metal grey-iron; deep 40; size 22 | size > 5 | coolant = dry
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there < 6 | coolant = dry
hole | finish hand-reamed; metal brass; size 4 | counterbore > 4 | stop_says = Say how deep it is, and each drill gets its stop.
hole | finish hand-reamed; metal brass; size 4 | there < 4 | stop_says = Say how deep it is, and each drill gets its stop.
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore < 6 | refused: A counterbore is larger than its hole
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | counterbore > 100 | refused: mm tool is larger than any drill or cutter here
hole | finish bored; metal grey-iron; deep 40; size 22 | size < 5 | refused: mm is too small to get a boring tool in: ream it, or make a 
hole | size 6 mm; metal gunmetal; finish machine-reamed; ends blind; deep 18 mm; thick 25 mm | there > 6 | refused: mm that is wanted: bush it, or make the mate to
identify | shape tube; bore 12; length 50; weight 79; size 20 | bore > 20 | refused: The bore of a tube is smaller than its outside
identify | shape tube; bore 12; length 50; weight 79; size 20 | size < 12 | refused: The bore of a tube is smaller than its outside
keyway | width 1/16 in; shaft 1/4 in | cutter < width | Mind the key
keyway | width 3; shaft 12 | shaft > 5 | Mind the key
keyway | width 3; shaft 12 | width < 7.2 | Mind the key
keyway | width 3; shaft 12 | shaft > 5 | Mind what is left
keyway | width 3; shaft 12 | width < 7.2 | Mind what is left
keyway | width 1/16 in; shaft 1/4 in | cutter > width | refused: The cutter is wider than the key
keyway | width 3; shaft 12 | shaft < 5 | refused: mm wide leaves nothing of a
keyway | width 3; shaft 12 | width > 7.2 | refused: mm wide leaves nothing of a
nearest-drill | tool drill; purpose clear; size 4 | size > 1.2 | Mind the tray
nearest-drill | tool collet; size 7.3 | size < 7.9 | Stop the collet
nearest-drill | tool collet; size 7.3 | size < 2.9 | does = does not close so far
nearest-drill | tool collet; size 7.3 | size < 3.5 | does = does not open so far
nearest-drill | tool collet; size 7.3 | size > 7.9 | does = holds it
nearest-drill | tool drill; purpose under; size 4.7625 | size < 6.3 | name = letter D
nearest-drill | tool drill; purpose clear; size 4 | size > 20 | refused: The largest drill in the trays is
path | profile link; long 40 mm; dia 16 mm; end 10 mm; cutter 6 mm | deep > 6 | Stop the depth
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | corner < 10 | side = inside
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | cutter < 20 | side = inside
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | long > 8 | side = inside
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | wide > 8 | side = inside
path | profile flange; long 40; dia 22; end 10; cutter 6 | long > 12 | side = outside
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | corner > 10 | refused: mm are larger than half of it
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | long < 8 | refused: mm are larger than half of it
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | wide < 8 | refused: mm are larger than half of it
path | long 40; wide 20; corner 4; cutter 6; profile plate; side inside | cutter > 20 | refused: mm cutter does not pass near -
path | profile flange; long 40; dia 22; end 10; cutter 6 | dia < 10 | refused: The ends are as large as the boss: ask for a link
path | profile flange; long 40; dia 22; end 10; cutter 6 | end > 22 | refused: The ends are as large as the boss: ask for a link
path | profile flange; long 40; dia 22; end 10; cutter 6 | dia > 50 | refused: The boss covers the ends: it is a disc
path | profile flange; long 40; dia 22; end 10; cutter 6 | long < 12 | refused: The boss covers the ends: it is a disc
piston | bore 22 mm; rod 4 mm | wide < 3.3 | Mind the grooves
piston | bore 22; rod 4 | bore > 8 | Mind the rod first
piston | bore 22 mm; rod 4 mm | long > 7.2 | Mind the rod first
piston | bore 22 mm; rod 4 mm | out > 0.6 * bore | Mind the rod first
piston | bore 22; rod 4 | rod > 1.6 | Mind the rod first
piston | bore 22 mm; rod 4 mm | wide < 3.3 | Mind the rod first
piston | bore 22; rod 4 | rod > 1.6 | Stop the rod
piston | school bush; rings 0; bore 22; rod 4 | bore > 8 | other = On its own rod: true to it, but light cuts only.
piston | school bush; rings 0; bore 22; rod 4 | out > 0.6 * bore | other = On its own rod: true to it, but light cuts only.
piston | school bush; rings 0; bore 22; rod 4 | rod > 1.6 | other = On its own rod: true to it, but light cuts only.
piston | bore 22 mm; rod 4 mm | out < 0.6 * bore | refused: It stands out at least as far as the piston is long
piston | bore 22 mm; rod 4 mm | long < 7.2 | refused: mm wide, and as much between, do not go on
piston | bore 22 mm; rod 4 mm | wide > 3.3 | refused: mm wide, and as much between, do not go on
piston | bore 22; rod 4 | bore < 8 | refused: mm rod leaves no piston of
piston | bore 22; rod 4 | rod > 11 | refused: mm rod leaves no piston of
piston | bore 22; rod 4 | rod < 1.6 | refused: is larger than its rod
place | way chord; angle 60; circle 31 | chord > 31 | refused: mm circle is longer than that
place | chord 10; circle 40; way chord | circle < 10 | refused: mm circle is longer than that
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length < 500 | Mind tearing
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length < 500 | Mind the bend
plan | now 16; wanted 14.5; width 2; deep 1 | overhang < 500 | Mind the bend
plan | job outside; tool carbide; metal mild-steel; now 16 | wanted > 15.8 | Mind rubbing
plan | job face; tool carbide; metal mild-steel; now 4; across 20 | wanted > 3.9 | Mind rubbing
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length < 500 | Mind the dial
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | now > wanted | Mind the dial
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | overhang < 500 | Mind the dial
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | wanted < 16 | Mind the dial
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | now > 25 | Mind the gauge
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | reads_to > 0.01 | Mind the gauge
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | length < 500 | Mind the needles
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | now > wanted | Mind the needles
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | overhang < 500 | Mind the needles
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | wanted < 16 | Mind the needles
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length < 70 | Mind the work
plan | now 16; wanted 14.5; width 2; deep 1 | overhang < 10 * wanted | Mind the work
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length > 70 | Stop the length
plan | now 16; wanted 14.5; width 2; deep 1 | overhang > 10 * wanted | Stop the length
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length < 500 | state = cut
plan | now 16; wanted 14.5; width 2; deep 1 | overhang < 500 | state = cut
plan | now 16; wanted 14.5; width 2; deep 1 | now > 180 | refused: mm does not swing over the bed of Lathe: its centre height o
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | length > 500 | refused: mm does not fit on Lathe: it takes
plan | now 16; wanted 14.5; width 2; deep 1 | overhang > 500 | refused: mm does not fit on Lathe: it takes
plan | now 16; wanted 14.5; width 2; deep 1 | now < wanted | refused: mm? Turning only makes it smaller: is it a bore?
plan | now 16; wanted 14.5; width 2; deep 1 | wanted > 16 | refused: mm? Turning only makes it smaller: is it a bore?
plan | now 16; wanted 14.5; width 2; deep 1 | allowance < 0.0094 | refused: passes: saw or part the most of it off first, or take more a
press | by press; length 12; tight 0.02; hub 20; size 10 | hub > 10 | Stop the boss
press | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | hollow < 11 | says = Pushed by hand.
press | size 11 mm; hub 24 mm; length 8 mm; boss_metal mild-steel; shaft_metal silver-steel | hollow > 11 | refused: The bore through the shaft leaves no shaft
press | size 11; hub 24; length 8; tight 0.01 | hub < 11 | refused: mm has no metal round a
press | size 11; hub 24; length 8; tight 0.01 | size > 24 | refused: mm has no metal round a
reach | way beside; cutter 16; line 9 | cutter > 16 | Mind the room
reach | line 9 mm; cutter 10 mm | dog > 16 | Mind the room
reach | line 9 mm; cutter 10 mm | holder > 16 | Mind the room
reach | line 9 mm; cutter 10 mm | tailstock > 16 | Mind the room
reach | line 9 mm; cutter 10 mm | dog > 18 | Stop the room
reach | line 9 mm; cutter 10 mm | finder > 17 | Stop the room
reach | line 9 mm; cutter 10 mm | holder > 18 | Stop the room
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | long > 65 | Stop the room
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | room < 1.5 * (long + cutter) | Stop the room
reach | line 9 mm; cutter 10 mm | tailstock > 18 | Stop the room
reach | line 9 mm; cutter 10 mm | holder > 18 | fouls = its holder
reach | line 9 mm; cutter 10 mm | dog < 18 | fouls = nothing
reach | line 9 mm; cutter 10 mm | finder < 17 | fouls = nothing
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | long < 65 | fouls = nothing
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | room > 1.5 * (long + cutter) | fouls = nothing
reach | line 9 mm; cutter 10 mm | tailstock < 18 | fouls = nothing
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | long > 180 | fouls = the cut
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | room < 80 | fouls = the cut
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | cutter > 100 | fouls = the cutter, clear at both ends
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | long > 130 | fouls = the cutter, clear at both ends
reach | way beside; line 12; dog 30 | cutter < 24 | fouls = the dog
reach | way beside; line 12; dog 30 | finder < 23 | fouls = the dog
reach | way beside; line 12; dog 30 | line < 15 | fouls = the dog
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | room > 130 | fouls = the dog
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | cutter > 35 | fouls = the tailstock
reach | way travel; room 180; long 80; cutter 50; dog 25; tailstock 40 | dog > 10 | fouls = the tailstock
ring | bore 22 mm; width 2 mm | gap < 22 | Stop going in
ring | bore 22 mm; width 2 mm | radial < 5.5 | Stop going in
ring | bore 22 mm; width 2 mm | radial < 5.5 | Stop going on
ring | bore 22 mm; width 2 mm | gap > 22 | refused: A gap as wide as the bore leaves half a ring
ring | bore 22 mm; width 2 mm | radial > 5.5 | refused: mm is over a quarter of the bore: no ring bends so
screwcut | thread M10; metal mild-steel | relief > 1.5 | Mind the drive
screwcut | thread M10; metal brass; relief 4; feed slide | tool < 4 | Mind the drive
screwcut | starts 2; metal brass; thread M12 | relief > 1.75 | Stop the stop
screwcut | thread M10; metal brass; relief 4; feed slide | starts >= 4 | Stop the stop
screwcut | thread M10; metal brass; relief 4; feed slide | tool > 2.8 | Stop the stop
screwcut | thread M10; metal mild-steel | relief > 1.5 | dial = No number of it will do.
screwcut | metal mild-steel; thread 1/2-20 | starts >= 9 | dial = No number of it will do.
screwcut | thread M10; metal brass; relief 4; feed slide | tool < 4 | dial = No number of it will do.
screwcut | metal mild-steel; thread 1/2-20 | relief > 0.1 * major | dial = None is told of in the Workshop.
screwcut | metal mild-steel; thread 1/2-20 | starts <= 8 | dial = None is told of in the Workshop.
screwcut | thread M10; metal mild-steel | relief < 1.5 | refused: mm is no wider than a pitch
screwcut | thread M10; metal brass; relief 4; feed slide | tool > 4 | refused: mm wide does not fit a relief groove of
seal | kind packing; rod 3.96875 | space < 1.5 * rod | Mind the follower
seal | bore 22; section 1.78; rod 4 | bore > section / 0.39 | Mind the rubber
seal | kind piston; bore 22 mm | section < 0.39 * bore | Mind the rubber
seal | bore 22; section 1.78; rod 4 | bore < section / 0.39 | refused: mm thick is too thick for
seal | kind piston; bore 22 mm | section > 0.39 * bore | refused: mm thick is too thick for
seal | kind packing; rod 3.96875 | space > 1.5 * rod | refused: The space is far wider than the rod is thick
shrink | size 20 mm; hub 40 mm; length 15 mm; boss_metal mild-steel; shaft_metal mild-steel | hollow < 20 | Mind hot metal
shrink | size 20; hub 40; tight 0.03 | hub > 20 | Mind hot metal
shrink | size 20; hub 40; tight 0.03 | size < 40 | Mind hot metal
shrink | size 20; hub 40; tight 0.03 | hub > 20 | Stop the boss
shrink | size 20 | size < 4.575 | Stop the heat
shrink | size 20 mm; hub 40 mm; length 15 mm; boss_metal mild-steel; shaft_metal mild-steel | hollow > 20 | refused: The bore through the shaft leaves no shaft
shrink | size 20; hub 40; tight 0.03 | hub < 20 | refused: mm has no metal round a
shrink | size 20; hub 40; tight 0.03 | size > 40 | refused: mm has no metal round a
sine | bar 100 mm; angle 12 | height < 100 | refused: The packing gives the angle: type one of them
sine | bar 100 mm; angle 12 | height > 100 | refused: mm stands upright before it is packed so high
slit | total 30 mm | cuts <= 37 | Mind the saw
slit | total 30 mm | cuts >= 38 | refused: Nothing is left of
speed | operation drill; metal brass; diameter 6.5278 | length < 500 | Mind stalling
speed | operation turn; tool hss; metal silver-steel; diameter 22 | depth < 11 | Mind tearing
speed | operation turn; tool hss; metal silver-steel; diameter 22 | diameter < 180 | Mind tearing
speed | operation turn; tool hss; metal silver-steel; diameter 22 | length < 500 | Mind tearing
speed | operation turn; tool hss; metal silver-steel; diameter 22 | overhang < 500 | Mind tearing
speed | operation drill; metal brass; diameter 2.2606 | length < 500 | Mind the drill
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | bar < diameter | Mind the dust
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | diameter < 180 | Mind the dust
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | length < 500 | Mind the dust
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | overhang < 500 | Mind the dust
speed | operation end-mill; metal grey-iron; diameter 12 | width < 12 | Mind the dust
speed | operation end-mill; metal grey-iron; diameter 12 | width < 12 | Mind the feed
speed | operation turn; tool hss; metal silver-steel; diameter 22 | diameter < 180 | Mind the load
speed | operation drill; metal brass; diameter 6.5278 | length < 500 | Mind the load
speed | operation end-mill; metal grey-iron; diameter 12 | teeth >= 11 | Mind the load
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | depth < 4 | Mind the needles
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | diameter > 1 | Mind the needles
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length < 500 | Mind the needles
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | off_centre < 4 | Mind the needles
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang < 500 | Mind the needles
speed | operation drill; metal brass; diameter 3.2639 | diameter > 3 | Mind the snatch
speed | operation drill; metal brass; diameter 3.2639 | length < 500 | Mind the snatch
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | depth < 4 | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | diameter > 1 | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length < 32 | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | off_centre < 4 | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang < 32 | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length < 80 | Mind the work
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang < 80 | Mind the work
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | own_rpm > 1000 | Mind your speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length > 80 | Stop the length
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang > 80 | Stop the length
speed | operation turn; tool hss; metal silver-steel; diameter 22 | diameter < 180 | Stop the speed
speed | operation turn; tool hss; metal silver-steel; diameter 22 | depth < 11 | coolant = cutting oil
speed | operation turn; tool hss; metal silver-steel; diameter 22 | diameter < 180 | coolant = cutting oil
speed | operation turn; tool hss; metal silver-steel; diameter 22 | length < 500 | coolant = cutting oil
speed | operation turn; tool hss; metal silver-steel; diameter 22 | overhang < 500 | coolant = cutting oil
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | bar < diameter | coolant = dry
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | depth < 4 | coolant = dry
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | diameter > 1 | coolant = dry
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | off_centre < 4 | coolant = dry
speed | operation end-mill; metal grey-iron; diameter 12 | width < 12 | coolant = dry
speed | operation bore; tool carbide; machine lathe; metal grey-iron; diameter 15.875 | bar > diameter | refused: The boring bar must be thinner than the hole
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | depth > 4 | refused: mm off the diameter, and there is only
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | diameter < 1 | refused: mm off the diameter, and there is only
speed | operation turn; tool hss; metal silver-steel; diameter 22 | diameter > 180 | refused: mm does not swing over the bed of Lathe: its centre height o
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length > 500 | refused: mm does not fit on Lathe: it takes
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | off_centre > 4 | refused: mm off centre misses a diameter of
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang > 500 | refused: mm does not fit on Lathe: it takes
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | spigot < 8 | refused: How far is the cut from the root of the spigot?
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | spigot > 8 | refused: A spigot is thinner than the work that turns on it
speed | operation end-mill; metal grey-iron; diameter 12 | width > 12 | refused: A cutter cannot cut wider than itself
tap | metal gunmetal; thread 2BA | drill > 2.35 | Mind closing in
tap | ends blind; metal gunmetal; thread 1/4x40; deep 7.9375 | thick > 1.25 * major | Mind closing in
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep < 7 | Mind holding it square
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | Mind holding it square
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick > 7 | Mind holding it square
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep < 7 | Mind the bottom
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | Mind the bottom
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick > 7 | Mind the bottom
tap | school book; metal aluminium-6082; thread 10-32 | drill > 0.5 * major | Mind the drawer
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | Mind the drill
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep > 4.45 | Mind the floor
tap | thread M4; metal stainless-303; deep 7; ends blind | thick > 9.8 | Mind the floor
tap | thread M4; metal grey-iron; deep 7; ends blind | thick < 10.8 | Mind the floor
tap | ends blind; metal gunmetal; thread 1/4x40; deep 7.9375 | drill > 3.175 | Mind the full thread
tap | metal brass; thread M4 | drill > 2 | Mind the tap
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | Mind the work hardening
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick > 7 | Mind the work hardening
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep > 4.95 | Stop breaking through
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | drill > 1.5 | Stop breaking through
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick > 7 | Stop breaking through
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | Stop the tap
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep < 7 | back_off_says = Half to one turn on, half a turn back, all the way.
tap | metal brass; thread M4 | drill > 2 | back_off_says = Half to one turn on, half a turn back, all the way.
tap | ends blind; metal gunmetal; thread 1/4x40; deep 7.9375 | thick > 1.25 * major | back_off_says = Half to one turn on, half a turn back, all the way.
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill > 1.8 | last_tap = bottoming
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick > 7 | last_tap = bottoming
tap | metal gunmetal; thread 2BA | drill > 2.35 | last_tap = taper
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | drill > 1.5 | lubricant = cutting oil
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | thick > 5 | lubricant = cutting oil
tap | school book; metal aluminium-6082; thread 10-32 | drill > 0.5 * major | lubricant = paraffin
tap | last bottoming; metal brass; thread M2 | drill > 1 | taps_say = Taper, then second, then bottoming.
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep > 7 | refused: mm deep goes through a part
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | thick < 7 | refused: mm deep goes through a part
tap | school book; metal aluminium-6082; thread 10-32 | drill > major | refused: mm: there is no thread left
tap | metal phosphor-bronze; thread G1/8 | drill > major | refused: mm: there is no thread left
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | drill < 1.8 | refused: BA tap goes into a
tap | metal mild-steel; thread 3/16 BSF | drill < 0.5 * major | refused: BSF tap goes into a
tap | ends blind; metal gunmetal; thread 1/4x40; deep 7.9375 | drill < 3.175 | refused: ME tap goes into a
tap | school book; metal aluminium-6082; thread 10-32 | drill < 0.5 * major | refused: UNF tap goes into a
tap | metal phosphor-bronze; thread G1/8 | drill < 0.5 * major | refused: tap goes into a
tap | thread M4; metal stainless-303; deep 7; ends blind | drill < 2 | refused: tap goes into a
throw | throw 6; bar 25; pin 8; main 10 | bar > 14.785 | Mind the weight
throw | throw 6 mm; bar 25 mm; pin 8 mm; main 10 mm | jaw < 25 | Mind the weight
throw | throw 6; bar 25; pin 8; main 10 | throw < 8.949 | Mind the weight
throw | throw 6; bar 25; pin 8; main 10 | throw > 6.784 | Mind the jaws
throw | throw 6; bar 25; pin 8; main 10 | main > 25 | Stop the bar
throw | throw 6; bar 25; pin 8; main 10 | pin > 13 | Stop the bar
throw | throw 6; bar 25; pin 8; main 10 | throw > 8.5 | Stop the bar
throw | throw 6; bar 25; pin 8; main 10 | bar > 3 | refused: mm off the middle three jaws no longer hold a
throw | throw 6; bar 25; pin 8; main 10 | throw > 8.949 | refused: mm off the middle three jaws no longer hold a
throw | throw 6; bar 25; pin 8; main 10 | bar < 3 | refused: mm wide is wider than the bar
throw | throw 6 mm; bar 25 mm; pin 8 mm; main 10 mm | jaw > 25 | refused: mm wide is wider than the bar
true | total 0.3 | total > 1 | Mind the indicator
true | total 12 thou | chuck < 0.02 | chuck = True to the spindle: the work alone is out.
warm | duty ringed; hole_metal grey-iron; shaft_metal aluminium-6082; hole_hot 100; shaft_hot 150; wanted 0.03; size 22 | hole_hot > 300 | Mind the heat
warm | duty ringed; hole_metal grey-iron; shaft_metal aluminium-6082; hole_hot 100; shaft_hot 150; wanted 0.03; size 22 | shaft_hot > 170 | Mind the heat
warm | duty ringed; hole_metal grey-iron; shaft_metal aluminium-6082; hole_hot 100; shaft_hot 150; wanted 0.03; size 22 | wanted < 0.003 | Stop seizing
warm | duty ringed; hole_metal grey-iron; shaft_metal aluminium-6082; hole_hot 100; shaft_hot 150; wanted 0.03; size 22 | shaft_hot > 570 | refused: melts near
which-thread | size 4.65; pitch 0.81 | size > 4.75 | Mind the form
which-thread | turns 40; size 6.35 | turns >= 31 | Mind the form
which-thread | size 4.65; pitch 0.81 | size < 3.35 | refused: No thread here measures
which-thread | turns 40; size 6.35 | turns <= 25 | refused: No thread here measures
"""

CHOICES = """
circle | count 6; circle 31; hole 4; bore 22; ports port 45 x 6; rows 2; turn 90; pitch 12; long 40; spots 10, 5; 20, 5 | pattern arc not circle | Mind the spacing
circle | count 6; circle 31; hole 4; bore 22; ports port 45 x 6; rows 2; turn 90; pitch 12; long 40; spots 10, 5; 20, 5 | pattern row not circle | Stop the bore
circle | count 6; circle 31; hole 4; bore 22; ports port 45 x 6; rows 2; turn 90; pitch 12; long 40; spots 10, 5; 20, 5 | pattern circle not row | Stop the port
crank | stroke 24 mm; main 8 mm; pin 7 mm | way built not solid | Mind the compound
crank | stroke 24 mm; main 8 mm; pin 7 mm | way solid not built | Mind the throw
depth | finder 10; deep 25 | way edge not touch | Mind the first hole
depth | deep 12 mm; feeler 0.05 mm; drill 3 mm | way touch not pin | Mind the next tool
fit | hole_metal brass; size 12 | duty drive not push | Mind going together
flats | across 20; bar 26 | shape 4 not 2 | Mind the corners
gear | teeth 22; module 0.7; mate 44 | part wheel not rack | Mind the guard
grip | dia 25 mm; at 30 mm | way adhesive not three-jaw | Mind the bond
grip | way collet; dia 12; force 400 | faces soft not bare | Mind the grip
grip | dia 25 mm; at 30 mm | way collet not three-jaw | Mind the grip
grip | way collet; dia 12; force 400 | faces bare not soft | Stop the grip
grip | dia 25 mm; at 30 mm | way wax not three-jaw | Stop the grip
hole | size 6 mm; metal gunmetal; finish machine-reamed; deep 18 mm; thick 25 mm | ends through not blind | Mind breaking through
hole | size 6; metal gunmetal; deep 20 | finish drilled not hand-reamed | Mind breaking through
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish machine-reamed not drilled | Mind closing in
hole | finish hand-reamed; metal brass; size 4 | ends through not blind | Mind the axis
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish machine-reamed not drilled | Mind the axis
hole | metal grey-iron; deep 40; size 22 | finish bored not drilled | Mind the dust
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish drilled not hand-reamed | Mind the grip
hole | metal mild-steel; size 12; deep 30 | finish drilled not machine-reamed | Mind the load
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish machine-reamed not drilled | Mind the reamer
hole | finish hand-reamed; metal brass; size 4 | ends through not blind | Mind the snatch
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish drilled not hand-reamed | Mind the snatch
hole | size 6 mm; metal gunmetal; ends blind; deep 18 mm; thick 25 mm | finish machine-reamed not drilled | Mind the swarf
hole | metal mild-steel; size 12; deep 30 | tool carbide not hss | Mind the swarf
hole | finish hand-reamed; metal brass; size 4 | ends through not blind | Mind what is left
hole | metal mild-steel; size 12; deep 30 | finish d-bit not drilled | Mind what is left
hole | metal grey-iron; deep 40; size 22 | finish d-bit not drilled | Stop what is left
identify | size 20 mm; length 50 mm; weight 123 | magnet yes not untried | Mind the magnet
identify | size 20 mm; length 50 mm; weight 123; magnet yes | shape round not tube | Mind the magnet
mate | duty running; there 12.7 | make hole not shaft | Mind the hole
mate | made 33.02; there 33.04 | duty running not precision | Mind the shaft
mate | there top 22.012, 22.008; middle 22.004, 22.002; bottom 22.008, 22.006; duty ringed; made 22.40; hole_metal grey-iron; shaft_metal grey-iron | make shaft not hole | Mind the shaft
mate | made 33.02; there 33.04 | duty slide not running | Stop too far
mate | there top 22.012, 22.008; middle 22.004, 22.002; bottom 22.008, 22.006; duty ringed; made 22.40; hole_metal grey-iron; shaft_metal grey-iron | make hole not shaft | Stop too far
nearest-drill | size 4.37 mm | tool cutter not drill | Mind the cutter
nearest-drill | size 4.37 mm | tool reamer not drill | Mind the reamer
nearest-drill | tool drill; size 2.38125 | purpose hole not clear | Mind the tray
nearest-drill | size 4.37 mm | tool collet not drill | Stop the collet
piston | rings 0; bore 22; rod 4 | school rod not bush | Stop the rod
place | radius 40; angle 12; x 30; y 40; two 10, 5; 40, 45; circle 31; chord 15.5; wide 50; finder 10; left 0.12; right 0.04; near 0.02; far 0.02 | way middle not polar | Mind the pin
plan | metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | job outside not bore | Mind tearing
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm | held faceplate not three-jaw | Mind the balance
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm | held bonded not three-jaw | Mind the bond
plan | now 16; wanted 14.5; width 2; deep 1 | job groove not outside | Mind the carriage
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | held between centres not three-jaw | Mind the centre
plan | metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | job outside not bore | Mind the dial
plan | metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | job slot not outside | Mind the gauge
plan | metal brass; limits +0 -0.02; wanted 14.5; now 16 | job outside not bore | Mind the needles
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | surface scale not sound | Mind the scale
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | surface skin not sound | Mind the skin
plan | job outside; metal brass; limits +0 -0.02; wanted 14.5; now 16 | tool carbide not hss | Mind the top speed
plan | job outside; metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm | held three-jaw not between centres | Mind the work
plan | metal silver-steel; now 8 mm; wanted 7 mm; smallest 6.98 mm; largest 7 mm; overhang 30 mm; held three-jaw | job outside not bore | Mind the work
reach | line 9; cutter 10; room 220; parts vice 70; work 50; long 80; wall 9; flats 5.5 | way spanner not beside | Stop the room
screwcut | thread 3/8-24 UNF; metal mild-steel | hand right not left | Mind the groove
seal | bore 22; section 1.78; rod 4 | kind packing not piston | Mind the follower
seal | bore 22 mm | kind lapped not piston | Mind the grit
seal | bore 22 mm | kind piston not rod | Mind the rubber
speed | operation drill; metal brass; diameter 6.5278 | gears any not back gear | Mind stalling
speed | operation drill; metal brass; diameter 6.5278 | held three-jaw not four-jaw | Mind stalling
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation drill not turn | Mind stalling
speed | operation drill; metal brass; diameter 6.5278 | school a little over not slowest | Mind stalling
speed | operation drill; metal brass; diameter 6.5278 | tool hss not carbide | Mind stalling
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | gears any not back gear | Mind the balance
speed | operation bore; diameter 5/8"; metal grey-iron; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | held four-jaw not three-jaw | Mind the balance
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation turn not part | Mind the balance
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | school a little over not slowest | Mind the balance
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | surface sound not skin | Mind the balance
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; bar 8 mm; overhang 45 mm; length 40 mm | tool carbide not hss | Mind the balance
speed | operation bore; diameter 5/8"; metal grey-iron; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | held bonded not three-jaw | Mind the bond
speed | operation bore; diameter 5/8"; metal grey-iron; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | held three-jaw not between centres | Mind the boring bar
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation bore not turn | Mind the boring bar
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation face not turn | Mind the carriage
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | held between centres not three-jaw | Mind the centre
speed | operation turn; tool hss; metal silver-steel; diameter 22 | held collet not three-jaw | Mind the collet
speed | operation drill; metal brass; diameter 2.2606 | held three-jaw not between centres | Mind the drill
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation drill not turn | Mind the drill
speed | operation end-mill; metal grey-iron; diameter 12 | gears any not back gear | Mind the dust
speed | operation bore; diameter 5/8"; metal grey-iron; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | held three-jaw not between centres | Mind the dust
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation turn not drill | Mind the dust
speed | operation end-mill; metal grey-iron; diameter 12 | gears any not back gear | Mind the feed
speed | operation drill; metal brass; diameter 6.5278 | gears any not back gear | Mind the load
speed | operation drill; metal brass; diameter 6.5278 | held three-jaw not four-jaw | Mind the load
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation drill not turn | Mind the load
speed | operation drill; metal brass; diameter 6.5278 | school a little over not slowest | Mind the load
speed | operation end-mill; metal grey-iron; diameter 12 | tool carbide not hss | Mind the load
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | operation turn not drill | Mind the needles
speed | diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | operation part not turn | Mind the parting tool
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | surface scale not sound | Mind the scale
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | surface skin not sound | Mind the skin
speed | operation drill; metal brass; diameter 3.2639 | held three-jaw not between centres | Mind the snatch
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | operation drill not turn | Mind the snatch
speed | operation turn; tool hss; metal silver-steel; diameter 22 | gears direct not any | Mind the speed
speed | operation bore; diameter 5/8"; metal grey-iron; held four-jaw; tool carbide; bar 8 mm; overhang 45 mm; length 40 mm | meets interrupted not all round | Mind the tip
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | alloy known not unknown | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | gears any not direct | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | held three-jaw not four-jaw | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | meets all round not interrupted | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | operation turn not bore | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | school a little over not slowest | Mind the top speed
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | set_up ordinary not long | Mind the top speed
speed | metal brass; diameter 3.2639 | operation knurl not turn | Mind the work
tap | metal gunmetal; thread 2BA | ends through not blind | Mind closing in
tap | metal brass; thread M4 | ends through not blind | Mind holding it square
tap | thread 4 BA; metal stainless-303; deep 7 mm | ends blind not through | Mind the bottom
tap | school book; metal aluminium-6082; thread 10-32 | ends through not blind | Mind the drawer
tap | thread 4 BA; metal stainless-303; ends blind; deep 7 mm | last second not taper | Mind the drawer
tap | metal mild-steel; thread M3; deep 5; thick 7 | ends blind not through | Stop breaking through
warm | job fit; size 22 mm; hole_metal grey-iron; hole_hot 120 C; shaft_metal aluminium-6082; shaft_hot 160 C | duty running not push | Stop seizing
"""

# Where a figure goes by steps: the size it steps at, what it is up to there and what beyond.
# Fits step as ISO 286-1 has its sizes; the others are practice.
STEPS = """
cover | thread M3; seal 21; rim 39; pressure 70 psi | seal at 33 | between_nuts_mm 7.4258 then 9.1478
fit | size 22; hole H7; shaft g6 | size at 10 | clearance_high_mm 0.029 then 0.035
fit | size 22; hole H7; shaft g6 | size at 120 | clearance_high_mm 0.069 then 0.079
fit | size 22; hole H7; shaft g6 | size at 18 | clearance_high_mm 0.035 then 0.041
fit | size 22; hole H7; shaft g6 | size at 30 | clearance_high_mm 0.041 then 0.05
fit | size 22; hole H7; shaft g6 | size at 50 | clearance_high_mm 0.05 then 0.059
fit | size 22; hole H7; shaft g6 | size at 6 | clearance_high_mm 0.024 then 0.029
fit | size 22; hole H7; shaft g6 | size at 80 | clearance_high_mm 0.059 then 0.069
hole | finish bored; metal grey-iron; deep 40; size 22 | size at 6 | drill_mm 5.4102 then 5.5
hole | finish bored; metal grey-iron; deep 40; size 22 | size at 7.5 | drill_mm 6.7564 then 6.9
hole | finish d-bit; metal gunmetal; size 7.9375 | size at 12 | ream_allowance_mm 0.2 then 0.3
hole | finish d-bit; metal gunmetal; size 7.9375 | size at 25 | ream_allowance_mm 0.3 then 0.4
hole | finish d-bit; metal gunmetal; size 7.9375 | size at 3 | ream_allowance_mm 0.075 then 0.125
nearest-drill | tool drill; purpose ream; size 6 | size at 1.05 | drill_mm 0.79375 then 1
screwcut | thread M10; metal brass; relief 4; feed slide | relief at 1.25 * major | set_rpm 290 then 500
screwcut | thread M10; metal mild-steel | relief at 2.075 | set_rpm 48 then 83
screwcut | thread M10; metal mild-steel | relief at 3.55 | set_rpm 83 then 142
screwcut | thread M10; metal mild-steel | relief at 6.125 | set_rpm 142 then 245
screwcut | thread M10; metal mild-steel | relief at 7.25 | set_rpm 245 then 290
seal | kind piston; bore 22 | bore at 10 | clear_mm 0.1 then 0.13
seal | kind piston; bore 22 | bore at 50 | clear_mm 0.13 then 0.15
seal | rod 4; kind rod | rod at 10 | clear_mm 0.1 then 0.13
seal | kind piston; bore 22 | bore at 100 | corner_mm 0.4 then 0.6
seal | kind piston; bore 22 | bore at 25 | fill_percent 73.995 then 66.861
seal | kind piston; bore 22 | bore at 5 | fill_percent 64.685 then 71.118
seal | rod 4; kind rod | rod at 5 | fill_percent 64.685 then 71.118
shrink | size 20 | size at 4.575 | both_c 364.57 then 264.27
speed | operation end-mill; metal grey-iron; diameter 12 | depth at 0.03 | depth_mm 0.02 then 0.04
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | length at 32 | off_percent -50.405 then -29.15
speed | operation turn; metal brass; diameter 12 | length at 48 | off_percent -25.607 then 6.2756
speed | operation turn; tool hss; metal silver-steel; diameter 22 | length at 88 | off_percent -29.898 then 0.14628
speed | diameter 8; pitch 1; depth 0.5; width 2; metal brass | overhang at 32 | off_percent -50.405 then -29.15
speed | operation turn; tool hss; metal silver-steel; diameter 22 | overhang at 88 | off_percent -29.898 then 0.14628
speed | operation turn; metal brass; diameter 12 | overhang at 48 | target_rpm 1989.4 then 1392.6
tap | last bottoming; metal brass; thread M2 | deep at 4 | drill_mm 1.6129 then 1.7
tap | last bottoming; metal brass; thread M2 | thick at 4 | drill_mm 1.6129 then 1.7
tap | metal grey-iron; thread M6; deep 12 | deep at 12 | engagement_percent 69.282 then 64.711
tap | ends blind; metal mild-steel; thread M3; deep 5; thick 7 | deep at 6 | engagement_percent 64.956 then 61.584
tap | ends blind; metal stainless-303; thread 4BA; deep 7 | deep at 7.2 | engagement_percent 63.131 then 53.662
tap | thread M4; metal stainless-303; deep 7; ends blind | deep at 8 | engagement_percent 60 then 54.986
tap | metal gunmetal; thread 2BA | deep at 9.4 | engagement_percent 68.045 then 62.819
tap | metal gunmetal; thread 2BA | thick at 9.4 | engagement_percent 68.045 then 62.819
tap | ends blind; metal gunmetal; thread 1/4x40; deep 7.9375 | deep at 2 * major | target_percent 70 then 65
tap | metal brass; thread M4 | thick at 8 | target_percent 70 then 65
"""


@pytest.mark.parametrize(("name", "asked", "edge", "what"), rows(EDGES), ids=str)
def test_it_turns_there_and_nowhere_near(name: str, asked: str, edge: str, what: str) -> None:
    typed = given(asked)
    field, sign, rule = re.fullmatch(r"(\w+) (>=|<=|>|<) (.+)", edge).groups()  # type: ignore[union-attr]
    at = float(eval(rule, {"__builtins__": {}}, sizes(name, typed)))
    if isinstance(CATALOGUE[name].fields[field], Count):
        there, beyond = f"{at:g}", f"{at + (-1 if sign == '>=' else 1):g}"
    else:
        up, down = f"{at * (1 + _HAIR):.7g}", f"{at * (1 - _HAIR):.7g}"
        there, beyond = (up, down) if ">" in sign else (down, up)
    assert stands(name, typed | {field: there}, what), f"not at {there}"
    assert not stands(name, typed | {field: beyond}, what), f"still at {beyond}"


@pytest.mark.parametrize(("name", "asked", "choice", "what"), rows(CHOICES), ids=str)
def test_it_belongs_to_one_choice_and_not_to_the_other(
    name: str, asked: str, choice: str, what: str
) -> None:
    field, _, keys = choice.partition(" ")
    this, other = keys.split(" not ")
    assert stands(name, given(asked) | {field: this}, what)
    assert not stands(name, given(asked) | {field: other}, what)


@pytest.mark.parametrize(("name", "asked", "step", "figures"), rows(STEPS), ids=str)
def test_a_figure_steps_there(name: str, asked: str, step: str, figures: str) -> None:
    typed, (field, rule) = given(asked), step.split(" at ")
    at = float(eval(rule, {"__builtins__": {}}, sizes(name, typed)))
    key, before, _, beyond = figures.split(" ")
    for value, wanted in ((at * (1 - _HAIR / 4), before), (at * (1 + _HAIR / 4), beyond)):
        calculator = CATALOGUE[name]
        read = read_question(calculator, typed | {field: f"{value:.7g}"}, PageUnit.MM, WORKSHOP)
        found = getattr(calculator.ask(read.question, WORKSHOP), key).value
        assert found == pytest.approx(float(wanted), rel=0.01, abs=0.0006), f"at {value:g}"
