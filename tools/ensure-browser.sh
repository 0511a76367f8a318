#!/usr/bin/env bash
# The browser tests drive Debian's headless Chromium, or the whole one where that is there already.
# Installs it where that is allowed, or says what is missing.
set -u
there() { command -v chromium-headless-shell >/dev/null 2>&1 || command -v chromium >/dev/null 2>&1; }
if there; then exit 0; fi
as_root=""
if [ "$(id -u)" -ne 0 ]; then
  if command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null; then as_root="sudo -n"; else as_root="none"; fi
fi
if [ "$as_root" != "none" ] && command -v apt-get >/dev/null 2>&1; then
  echo "Installing Chromium for the browser tests ..."
  $as_root apt-get update -qq && $as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium-headless-shell >/dev/null ||
    $as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null
fi
if ! there; then
  echo "The browser tests need Chromium. On Debian: apt-get install chromium-headless-shell" >&2
  exit 1
fi
