#!/usr/bin/env bash
# Sees to what Mala is built and run with. Each word names one thing to see to:
#   go node postgres chromium poppler packages
# What can be installed is installed; what cannot is named in one sentence.
set -euo pipefail
cd "$(dirname "$0")/.."

GO_LEAST=1.26
NODE_LEAST=20.19

fail() { echo "mala: $*" >&2; exit 1; }

# at_least HAVE WANT says whether a version is new enough.
at_least() { [ "$(printf '%s\n%s\n' "$2" "$1" | sort -V | head -n 1)" = "$2" ]; }

# apt_install PACKAGE ... installs from Debian's packages, as root or through sudo.
apt_install() {
  local as_root=()
  [ -x "$(command -v apt-get)" ] || fail "cannot install $*: this is not a Debian machine. Install it by hand and try again."
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null && sudo -n true 2>/dev/null || fail "cannot install $*: that takes root. Run: sudo apt-get install -y --no-install-recommends $*"
    as_root=(sudo)
  fi
  echo "mala: installing $* from Debian's packages"
  { "${as_root[@]}" apt-get update -qq && DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq --no-install-recommends "$@"; } >/dev/null ||
    fail "Debian's packages for $* could not be installed. Run: apt-get install -y --no-install-recommends $*"
}

see_to_go() {
  command -v go >/dev/null || fail "Go $GO_LEAST or newer is needed and there is none on the PATH."
  local have
  have=$(GOTOOLCHAIN=local go env GOVERSION | sed 's/^go//')
  at_least "$have" "$GO_LEAST" || fail "Go $GO_LEAST or newer is needed; this is Go $have."
}

see_to_node() {
  command -v node >/dev/null && command -v npm >/dev/null || fail "Node.js $NODE_LEAST or newer with npm is needed and there is none on the PATH."
  local have
  have=$(node -p 'process.versions.node')
  at_least "$have" "$NODE_LEAST" || fail "Node.js $NODE_LEAST or newer is needed; this is Node.js $have."
}

see_to_postgres() {
  ls /usr/lib/postgresql/*/bin/postgres >/dev/null 2>&1 && return
  # Debian's package would make and start a cluster of its own; Mala keeps its own.
  local conf=/etc/postgresql-common/createcluster.d/no-main.conf
  if [ "$(id -u)" -eq 0 ] && [ ! -e "$conf" ]; then
    mkdir -p "$(dirname "$conf")"
    echo "create_main_cluster = false" >"$conf"
  fi
  apt_install postgresql
}

see_to_chromium() { [ -x /usr/bin/chromium ] || apt_install chromium; }

# What reads the printed papers back, for the tests.
see_to_poppler() { command -v pdftotext >/dev/null || apt_install poppler-utils; }

see_to_packages() {
  if [ ! -e node_modules/.package-lock.json ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
    echo "mala: installing the page's packages by the lock file"
    npm ci --no-fund --no-audit --loglevel=error || fail "npm could not install the page's packages; see above."
    touch node_modules/.package-lock.json
  fi
}

for what in "$@"; do "see_to_$what"; done
