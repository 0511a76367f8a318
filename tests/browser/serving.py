"""A real server in a process of its own, and a real Chromium to look at it."""

from __future__ import annotations

import multiprocessing
import os
import shutil
import socket
import sys
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

# The shell without a window does the same at two thirds of the work.
CHROMIUM = next(
    (p for p in map(shutil.which, ("chromium-headless-shell", "chromium")) if p),
    "/usr/bin/chromium",
)
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--no-first-run"]


def free_port() -> int:
    """A port nobody uses now."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


# Every server is a process of its own, forked from one that has imported the libraries already.
_FORKS = multiprocessing.get_context("forkserver")
_FORKS.set_forkserver_preload(["runk.server", "runk.api.app", "runk.demo.run", "alembic.command"])


def _serve(arguments: list[str], environment: dict[str, str]) -> None:
    from runk.cli import main

    os.environ.clear()
    os.environ.update(environment)
    os.dup2(os.open(os.devnull, os.O_WRONLY), 1)
    sys.exit(main(arguments))


class Server:
    """Runk with the demonstration's data in a folder of its own; can be stopped and started."""

    def __init__(self, folder: Path, command: str = "demo", *more: str) -> None:
        self.folder, self.port = folder, free_port()
        self.arguments = [command, "--port", str(self.port), *more]
        self.url = f"http://127.0.0.1:{self.port}"
        self._process: Any = None

    @property
    def runs(self) -> bool:
        """Whether it is up."""
        return self._process is not None and self._process.is_alive()

    def start(self) -> None:
        """Start, and wait until it answers."""
        environment = os.environ | {"XDG_DATA_HOME": str(self.folder)}
        environment.pop("RUNK_DATABASE_URL", None)
        self._process = _FORKS.Process(
            target=_serve, args=(self.arguments, environment), daemon=True
        )
        self._process.start()
        deadline = time.monotonic() + 180
        while time.monotonic() < deadline:
            try:
                with urllib.request.urlopen(f"{self.url}/api/alive", timeout=2):
                    return
            except (urllib.error.URLError, OSError):
                # Waits for the process, not against it: polling would eat the core it starts on.
                self._process.join(0.05)
                if not self._process.is_alive():
                    raise RuntimeError("the server stopped by itself") from None
        raise RuntimeError("the server never answered")

    def stop(self) -> None:
        """Stop at once, as when the plug is pulled."""
        if self._process is not None:
            self._process.kill()
            self._process.join()
            self._process = None
