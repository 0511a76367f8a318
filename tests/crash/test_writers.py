"""What ``make crash`` asks of the file can be answered with no: each writer is tried both ways."""

from __future__ import annotations

import sqlite3
from contextlib import closing

from fastapi.testclient import TestClient

from runk.store.database import Store
from tests.crash.writers import writers


def test_each_writer_writes_and_sees_what_is_lost(store: Store, empty_client: TestClient) -> None:
    every = writers(empty_client)
    assert len({one.name for one in every}) == len(every) > 12
    with closing(sqlite3.connect(store.file)) as look:
        for one in every:
            if one.part:
                one.more |= empty_client.get(f"/api/parts/{one.part}").json()
            for number in (101, 102):
                method, path, body = one.send(one, number)
                answer = empty_client.request(method, path, json=body)
                assert answer.status_code in (200, 201), (one.name, answer.text)
                read = answer.json()
                one.told.append(read[one.by] if one.by else number)
                one.more |= read if isinstance(read, dict) else {}
            last = one.told[-1]
            assert one.lost(look) == [], one.name
            one.told = [last + 5]
            assert len(one.lost(look)) == 1, one.name
            # What was on its way and was kept without its answer is no loss.
            one.told = [last - 1]
            assert one.lost(look) == [], one.name
