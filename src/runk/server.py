"""Starting the server: on this machine alone, or for the workshop's network as well."""

from __future__ import annotations

import ipaddress
import socket
import sys
from dataclasses import dataclass

import uvicorn

from runk.api.app import DIST, create_app
from runk.api.door import Door
from runk.api.guard import LOCAL_HOSTS
from runk.api.patience import Patient, room_for_sockets
from runk.core.refusals import Refused
from runk.store.database import Store

HOST = "127.0.0.1"
_PORTS_TRIED = 50
_QUEUE = 128


@dataclass(frozen=True, slots=True)
class Lan:
    """The workshop's network: where Runk is found, and who is let in."""

    host: str
    door: Door


def lan_host(given: str = "") -> str:
    """This machine's address on the workshop's network.

    Args:
        given: An address to use instead of the one found.

    Raises:
        Refused: No network, or an address the whole world could reach.
    """
    if not given:
        with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
            try:
                # Nothing is sent: it only asks the system which way it would go.
                probe.connect(("192.0.2.1", 9))
                given = probe.getsockname()[0]
            except OSError:
                raise Refused(
                    "This machine is on no network now. Join one, or name its address with "
                    "--address."
                ) from None
    try:
        address = ipaddress.IPv4Address(given)
    except ValueError:
        raise Refused(f"{given[:40]} is no address.", suggest="192.168.1.20") from None
    if address.is_global or address.is_unspecified or address.is_multicast:
        raise Refused(
            f"{address} is not an address of a network of your own; Runk answers only there.",
            suggest="192.168.1.20",
        )
    return str(address)


def listening(wanted: int, hosts: tuple[str, ...] = (HOST,)) -> list[socket.socket]:
    """Sockets that listen on the wanted port, or on the next free one above it.

    The port is taken here and now: nobody can slip in between finding it and using it, and
    a browser that is quicker than the start waits instead of being turned away.

    Raises:
        OSError: None of the next fifty is free.
    """
    for port in range(wanted, wanted + _PORTS_TRIED):
        taken: list[socket.socket] = []
        for host in hosts:
            one = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
            # Named TCP, an answer is not held back for the other side to acknowledge its head.
            taken.append(one)
            one.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                one.bind((host, port))
                one.listen(_QUEUE)
            except OSError:
                break
        else:
            return taken
        for one in taken:
            one.close()
    raise OSError(f"No free port from {wanted} on.")


TURN_S = 0.001
"""Seconds one thread goes on before another has its turn."""


def run(store: Store, wanted_port: int, lan: Lan | None = None) -> None:
    """Serve until stopped, and say where.

    Args:
        store: Migrated already.
        lan: Let the workshop's network in as well.
    """
    places = tuple(dict.fromkeys((HOST, lan.host))) if lan else (HOST,)
    sockets = listening(wanted_port, places)
    port = sockets[0].getsockname()[1]
    say = sys.stdout.write
    say(f"Runk is at http://{HOST}:{port}\n")
    address, hosts = "", LOCAL_HOSTS
    if lan:
        address = f"http://{lan.host}:{port}"
        name = socket.gethostname().lower()
        hosts = LOCAL_HOSTS | {lan.host, name, f"{name}.local"}
        say(f"On a tablet of the same network: {address}\n")
        if sys.stdout.isatty():
            import segno

            segno.make(address, micro=False).terminal(compact=True)
        say("It travels unencrypted: use it on a network of your own, never in public.\n")
    say("Stop it with Ctrl-C.\n")
    sys.stdout.flush()
    # Long work lets go of the interpreter this often: a plain question passes it.
    sys.setswitchinterval(TURN_S)
    app = create_app(store, DIST, hosts, lan.door if lan else None, address)
    room_for_sockets()
    config = uvicorn.Config(
        app, http=Patient, log_level="warning", access_log=False, proxy_headers=False
    )
    try:
        uvicorn.Server(config).run(sockets=sockets)
    finally:
        for one in sockets:
            one.close()
