"""The real application and an echo of the same bytes, each on a real server of its own."""

from __future__ import annotations

import json
import multiprocessing
import socket
import tempfile
import time
from http.client import HTTPConnection
from typing import Any

import uvicorn
from fastapi import FastAPI

from runk.api.app import create_app
from runk.api.part_shapes import LookOut
from runk.api.wire import reply_model
from runk.core.catalogue import CATALOGUE
from runk.demo.run import prepare
from runk.store.database import Store


def _serve_runk(port: int, folder: str) -> None:
    store = Store(f"sqlite:///{folder}/bench.sqlite3")
    store.migrate()
    prepare(store)
    uvicorn.run(create_app(store), host="127.0.0.1", port=port, log_level="error", access_log=False)


def _serve_echo(port: int, folder: str) -> None:
    from readings import add_insert_route

    app = FastAPI()
    add_insert_route(app, folder)
    models = {name: reply_model(calculator) for name, calculator in CATALOGUE.items()}
    for name, model in {**models, "look": LookOut}.items():

        async def echo(body: Any) -> Any:
            return body

        echo.__annotations__ = {"body": model, "return": model}
        app.add_api_route(f"/{name}", echo, methods=["POST"], response_model=model)
    uvicorn.run(app, host="127.0.0.1", port=port, log_level="error", access_log=False)


def _free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


class Pair:
    """Both servers, and a kept connection to each."""

    def __enter__(self) -> Pair:
        self._folder = tempfile.TemporaryDirectory()
        self._processes, self._connections = [], []
        self.ports: list[int] = []
        for serve in (_serve_runk, _serve_echo):
            port = _free_port()
            process = multiprocessing.Process(
                target=serve, args=(port, self._folder.name), daemon=True
            )
            process.start()
            self._processes.append(process)
            self._connections.append(connect(port))
            self.ports.append(port)
        return self

    def __exit__(self, *_: object) -> None:
        for process in self._processes:
            process.kill()
            process.join()
        self._folder.cleanup()

    def runk(self, path: str, body: bytes) -> bytes:
        """Ask the application."""
        return _post(self._connections[0], path, body)

    def get(self, path: str) -> bytes:
        """Fetch from the application."""
        self._connections[0].request("GET", path)
        return self._connections[0].getresponse().read()

    def echo(self, path: str, body: bytes) -> bytes:
        """Ask the echo."""
        return _post(self._connections[1], path, body)


def connect(port: int) -> HTTPConnection:
    """A kept connection, once the server answers."""
    for _ in range(400):
        try:
            connection = HTTPConnection("127.0.0.1", port, timeout=30)
            connection.connect()
        except OSError:
            time.sleep(0.05)
            continue
        assert connection.sock is not None
        connection.sock.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
        return connection
    raise RuntimeError("a server never answered")


def _post(connection: HTTPConnection, path: str, body: bytes) -> bytes:
    connection.request("POST", path, body, {"content-type": "application/json"})
    response = connection.getresponse()
    data = response.read()
    if response.status >= 300:
        raise RuntimeError(data.decode())
    return data


def packed(body: dict[str, Any]) -> bytes:
    """A body as it goes over the wire."""
    return json.dumps(body).encode()
