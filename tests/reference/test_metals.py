"""Metals against data that comes from outside the project."""

from __future__ import annotations

import pytest

from runk.core.metals import shipped_metals
from tests.reference.packages import building_density, element

METALS = shipped_metals()

# Nominal shares by mass from each metal's own designation (EN 573, EN 1982, EN 12164).
ALLOYS = {
    "copper": {"Cu": 1.0},
    "brass": {"Cu": 0.58, "Zn": 0.39, "Pb": 0.03},
    "gunmetal": {"Cu": 0.85, "Sn": 0.05, "Zn": 0.05, "Pb": 0.05},
    "phosphor-bronze": {"Cu": 0.92, "Sn": 0.08},
    "cast-phosphor-bronze": {"Cu": 0.89, "Sn": 0.11},
    "dural": {"Al": 0.94, "Cu": 0.045, "Si": 0.008, "Mn": 0.007},
    "bearing-bronze": {"Cu": 0.82, "Sn": 0.07, "Zn": 0.04, "Pb": 0.07},
    "aluminium-6082": {"Al": 0.98, "Si": 0.01, "Fe": 0.01},
    "cast-aluminium": {"Al": 0.93, "Si": 0.07},
    "mild-steel": {"Fe": 1.0},
    "stainless-304": {"Fe": 0.72, "Cr": 0.18, "Ni": 0.10},
}


@pytest.mark.parametrize("key", ALLOYS)
def test_density_by_the_rule_of_mixtures(key: str) -> None:
    """Volumes of the elements added up; their densities from pymatgen-core's table."""
    volume = sum(share / element(symbol).density for symbol, share in ALLOYS[key].items())
    assert METALS[key]["density_g_cm3"] == pytest.approx(1 / volume, rel=0.04)


@pytest.mark.parametrize(
    ("key", "named"),
    [
        ("copper", "copper"),
        ("brass", "brass"),
        ("phosphor-bronze", "bronze"),
        ("mild-steel", "steel"),
        ("stainless-304", "stainless steel"),
        ("aluminium-6082", "aluminium alloys"),
        ("grey-iron", "iron, cast"),
    ],
)
def test_density_by_iso_10456(key: str, named: str) -> None:
    """The list of EN 12524 / ISO 10456 that ht ships, good to 5 % over a whole family."""
    assert METALS[key]["density_g_cm3"] == pytest.approx(building_density(named), rel=0.05)


@pytest.mark.parametrize(
    ("key", "symbol", "within"),
    [("copper", "Cu", 0.03), ("aluminium-6082", "Al", 0.05), ("mild-steel", "Fe", 0.05)],
)
def test_expansion_of_nearly_pure_metals(key: str, symbol: str, within: float) -> None:
    """Expansion of the element itself, from pymatgen-core's table."""
    assert METALS[key]["expansion_um_per_m_k"] == pytest.approx(
        element(symbol).expansion, rel=within
    )


@pytest.mark.parametrize(
    ("key", "symbol"), [("copper", "Cu"), ("aluminium-6082", "Al"), ("mild-steel", "Fe")]
)
def test_stiffness_of_nearly_pure_metals(key: str, symbol: str) -> None:
    """Young's modulus and Poisson's ratio of the element, from pymatgen-core's table."""
    assert METALS[key]["e_gpa"] == pytest.approx(element(symbol).young, rel=0.1)
    assert METALS[key]["poisson"] == pytest.approx(element(symbol).poisson, abs=0.03)


def test_expansion_of_mixed_metals_lies_between_their_elements() -> None:
    for key in (
        "brass",
        "phosphor-bronze",
        "cast-phosphor-bronze",
        "gunmetal",
        "cast-aluminium",
        "dural",
    ):
        ends = [element(symbol).expansion for symbol, share in ALLOYS[key].items() if share > 0.04]
        assert min(ends) - 1.5 <= METALS[key]["expansion_um_per_m_k"] <= max(ends) + 1.5, key


def test_all_have_every_figure_with_its_source() -> None:
    assert len(METALS) == 22
    names = set(METALS["mild-steel"].properties)
    assert len(names) == 10
    for metal in METALS.values():
        assert set(metal.properties) == names, metal.key
        for name in names:
            assert metal[name] > 0
            assert metal.source(name).title


def test_figures_hang_together() -> None:
    """Properties no table can satisfy by accident."""
    for metal in METALS.values():
        assert metal["rp02_n_per_mm2"] < metal["rm_n_per_mm2"]
        assert metal["carbide_m_min"] > 2 * metal["hss_m_min"]
        assert 0.24 <= metal["poisson"] <= 0.36
        assert 0.1 < metal["mc"] < 0.3
        if metal.skin is not None:
            assert metal.skin["hss_m_min"] < metal["hss_m_min"]
            assert metal.skin["kc11_n_per_mm2"] > metal["kc11_n_per_mm2"]


def test_only_iron_bites_a_magnet() -> None:
    """Common practice: austenitic stainless does not, 416 does."""
    bite = {key for key, metal in METALS.items() if metal.magnet == "yes"}
    assert "stainless-416" in bite
    assert not bite & {"stainless-303", "stainless-304", "stainless-316", "brass", "copper"}


# HSS turning speeds as handbooks give their ranges, m/min: from memory, and said to be so.
HSS_RANGES = {
    "free-cutting-steel": (30, 45),
    "mild-steel": (25, 35),
    "medium-carbon-steel": (18, 27),
    "silver-steel": (10, 18),
    "stainless-303": (15, 27),
    "stainless-304": (12, 22),
    "grey-iron": (15, 24),
    "brass": (60, 110),
    "phosphor-bronze": (15, 35),
    "aluminium-6082": (60, 150),
    "copper": (25, 60),
}


@pytest.mark.parametrize(("key", "ends"), HSS_RANGES.items())
def test_speeds_lie_in_handbook_ranges(key: str, ends: tuple[float, float]) -> None:
    assert ends[0] <= METALS[key]["hss_m_min"] <= ends[1]
