#!/bin/sh
# The browser tests use Debian's Chromium without a window. Install it if it is missing and may be installed.
set -eu
if [ -x /usr/bin/chromium-headless-shell ]; then
  exit 0
fi
if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
  apt-get update -qq
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
    chromium-headless-shell >/dev/null
else
  echo "Chromium is missing: install Debian's package 'chromium-headless-shell' (apt-get install chromium-headless-shell)." >&2
  exit 1
fi
