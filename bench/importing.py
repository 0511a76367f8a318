"""Other requests while a large table is brought in."""

from __future__ import annotations

import statistics
import threading
import time
from http.client import HTTPConnection

from http_pair import Pair, connect, packed

LINES = 100_000


def _table() -> bytes:
    head = "kind;series;name;size_mm;state\r\n"
    lines = (
        f"drill;metric;{1 + n % 9000 / 1000} mm;{1 + n % 9000 / 1000};sound" for n in range(LINES)
    )
    return (head + "\r\n".join(lines)).encode()


def beside_import() -> tuple[tuple[float, float], tuple[float, float], float, int]:
    """Median and longest of small requests, alone and during the import, in microseconds.

    Returns:
        Alone, beside the import, how long the import took in seconds, and its lines.
    """
    with Pair() as pair:
        connection = connect(pair.ports[0])
        alone = _asked(connection, lambda n: n < 400)
        took: list[float] = []

        def bring_in() -> None:
            began = time.perf_counter()
            sender = connect(pair.ports[0])
            sender.request("POST", "/api/tools/csv", _table(), {"content-type": "text/csv"})
            response = sender.getresponse()
            response.read()
            assert response.status == 201
            took.append(time.perf_counter() - began)

        thread = threading.Thread(target=bring_in)
        thread.start()
        beside = _asked(connection, lambda n: thread.is_alive())
        thread.join()
    return alone, beside, took[0], LINES


def _asked(connection: HTTPConnection, going: object) -> tuple[float, float]:
    spent: list[float] = []
    body = packed({"text": "1 3/16"})
    while going(len(spent)):  # type: ignore[operator]
        began = time.perf_counter()
        connection.request("POST", "/api/calc/length", body, {"content-type": "application/json"})
        connection.getresponse().read()
        spent.append((time.perf_counter() - began) * 1e6)
    return statistics.median(spent), max(spent)
