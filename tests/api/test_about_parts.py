"""Questions about the demonstration's parts, by their names: what is said, against their drawing."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

# As typed on a page in millimetres; words the headline has, and words anywhere.
ASKED = (
    ("what size is the bore of the main bearing", "10 mm to 10.015 mm", "16 mm over"),
    ("gland", "22 mm over its outside, 14 mm long", "brass"),
    ("displacer rod length", "120 mm long", "Bar 5 mm"),
    ("how thick is the base plate", "by 8 mm", ""),
    ("how long is the connecting rod between centres", "54 mm", ""),
    # 116 dia by 20 less a bore of 10, at 7.2 g/cm3 (grey iron): pi / 4 x (116^2 - 10^2) x 20 x 7.2.
    ("how heavy is the flywheel", "1.51 kg", "oz"),
    # Half its mass times the squares of both radii: 1.511 x (0.058^2 + 0.005^2) / 2 = 0.00256.
    ("moment of inertia of the flywheel", "0.0026 kg m²", ""),
    ("what is the flywheel made of", "Casting 122 mm", "grey cast iron"),
    ("what material is the connecting rod", "aluminium", "Plate 70 mm"),
    ("revs for the gudgeon pin", "rev/min", "4 mm, silver steel"),
    ("speed to bore the main bearing", "rev/min", "bearing: 10 mm"),
    ("tapping drill for the displacer cap", "M4", "%"),
    ("torque for the cover studs", "N·m", "M3"),
    ("where are the holes in the cylinder cover", "15.5 mm", "13.423"),
    ("how far apart are the cover studs", "15.5 mm", "cover holes"),
    ("how many cover studs", "6 of them", "Bar 4 mm"),
    ("clearance of the power piston", "0.004 mm to 0.032 mm clearance", ""),
    ("how long to make the gland", "min to come", "guesses"),
    ("conrod route", "set-ups", "plane top"),
    ("how is the crankshaft held", "", "1."),
    ("what next on the crankshaft", "", "operations done"),
    ("tools for the gland", "reamer", ""),
    ("what parts are finished", "min to come", "Done: Gland"),
    ("draw a washer", "engine's page", ""),
)


@pytest.mark.parametrize(("line", "head", "says"), ASKED)
def test_what_is_known_of_a_part_is_said(
    asking: TestClient, line: str, head: str, says: str
) -> None:
    answer = asking.post("/api/ask", json={"line": line, "unit": "mm"})
    assert answer.status_code == 200, answer.text
    place = answer.json()["place"]
    assert place is not None
    assert place["path"].startswith("/engines")
    assert head in place["headline"]
    assert says in " ".join([place["headline"], *place["says"]])


def test_in_inches_on_a_page_in_inches(asking: TestClient) -> None:
    body = {"line": "what size is the bore of the main bearing", "unit": "inch"}
    place = asking.post("/api/ask", json=body).json()["place"]
    assert '0.3937" to 0.3943"' in place["headline"]


def test_a_part_that_is_not_there_is_said(asking: TestClient) -> None:
    refused = asking.post("/api/ask", json={"line": "how do I make the tender", "unit": "mm"})
    assert refused.status_code == 422
    assert "No part is called `tender`" in refused.json()["detail"]
