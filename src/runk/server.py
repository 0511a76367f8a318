"""Starting the server on this machine's own address."""

from __future__ import annotations

import socket
import sys

import uvicorn

from runk.api.app import create_app
from runk.store.database import Store

HOST = "127.0.0.1"
_PORTS_TRIED = 50


def free_port(wanted: int) -> int:
    """The wanted port, or the next free one above it.

    Raises:
        OSError: None of the next fifty is free.
    """
    for port in range(wanted, wanted + _PORTS_TRIED):
        with socket.socket(socket.AF_INET, socket.SOCK_STREAM) as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind((HOST, port))
            except OSError:
                continue
            return port
    raise OSError(f"No free port from {wanted} on.")


def run(store: Store, wanted_port: int) -> None:
    """Serve until stopped, and say where."""
    port = free_port(wanted_port)
    sys.stdout.write(f"Runk is at http://{HOST}:{port}\nStop it with Ctrl-C.\n")
    sys.stdout.flush()
    uvicorn.run(create_app(store), host=HOST, port=port, log_level="warning", access_log=False)
