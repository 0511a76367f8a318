"""Starting the server on this machine's own address."""

from __future__ import annotations

import socket
import sys

import uvicorn

from runk.api.app import create_app
from runk.store.database import Store

HOST = "127.0.0.1"
_PORTS_TRIED = 50
_QUEUE = 128


def listening(wanted: int) -> socket.socket:
    """A socket that listens on the wanted port, or on the next free one above it.

    The port is taken here and now: nobody can slip in between finding it and using it, and
    a browser that is quicker than the start waits instead of being turned away.

    Raises:
        OSError: None of the next fifty is free.
    """
    for port in range(wanted, wanted + _PORTS_TRIED):
        one = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
        one.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            one.bind((HOST, port))
            one.listen(_QUEUE)
        except OSError:
            one.close()
            continue
        return one
    raise OSError(f"No free port from {wanted} on.")


def run(store: Store, wanted_port: int) -> None:
    """Serve until stopped, and say where."""
    with listening(wanted_port) as one:
        port = one.getsockname()[1]
        sys.stdout.write(f"Runk is at http://{HOST}:{port}\nStop it with Ctrl-C.\n")
        sys.stdout.flush()
        config = uvicorn.Config(create_app(store), log_level="warning", access_log=False)
        uvicorn.Server(config).run(sockets=[one])
