"""A real server in a process of its own, and a real Chromium to look at it."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from pathlib import Path

CHROMIUM = "/usr/bin/chromium"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--no-first-run"]


def free_port() -> int:
    """A port nobody uses now."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


class Server:
    """Runk with the demonstration's data in a folder of its own; can be stopped and started."""

    def __init__(self, folder: Path, command: str = "demo", *more: str) -> None:
        self.folder, self.port = folder, free_port()
        self.arguments = [command, "--port", str(self.port), *more]
        self.url = f"http://127.0.0.1:{self.port}"
        self._process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        """Start, and wait until it answers."""
        environment = os.environ | {"XDG_DATA_HOME": str(self.folder)}
        environment.pop("RUNK_DATABASE_URL", None)
        code = f"import sys; from runk.cli import main; sys.exit(main({self.arguments!r}))"
        self._process = subprocess.Popen(
            [sys.executable, "-c", code], env=environment, stdout=subprocess.DEVNULL
        )
        deadline = time.monotonic() + 60
        while time.monotonic() < deadline:
            try:
                with urllib.request.urlopen(f"{self.url}/api/alive", timeout=2):
                    return
            except (urllib.error.URLError, OSError):
                if self._process.poll() is not None:
                    raise RuntimeError("the server stopped by itself") from None
        raise RuntimeError("the server never answered")

    def stop(self) -> None:
        """Stop at once, as when the plug is pulled."""
        if self._process is not None:
            self._process.kill()
            self._process.wait()
            self._process = None
