# What ./start and ./test share: everything a fresh Debian machine lacks. Sourced, not run.

fail() { echo "$*" >&2; exit 1; }

need_node() {
  local major
  major=$(node -p 'process.versions.node.split(".")[0]' 2>/dev/null) || fail "Node 20 is needed, and no node is on the PATH."
  [ "$major" -ge 20 ] || fail "Node 20 or newer is needed; this is Node $major."
}

need_disk() { # megabytes
  local free
  free=$(df -Pm . | awk 'NR==2 {print $4}')
  [ "$free" -ge "$1" ] || fail "Only $free MB of disk are free here, and $1 are needed: make room, then try again."
}

# Installs a Debian package when the given file is missing.
need_package() { # file-pattern package
  compgen -G "$1" >/dev/null && return
  command -v apt-get >/dev/null || fail "$2 is missing, and this is no Debian: install it, then try again."
  local sudo=
  [ "$(id -u)" = 0 ] || sudo=$(command -v sudo) || fail "$2 is missing: as root, run: apt-get install $2"
  if [ "$2" = postgresql ] && [ ! -d /etc/postgresql-common/createcluster.d ]; then
    # Debian's package would make and start a cluster of its own.
    $sudo mkdir -p /etc/postgresql-common/createcluster.d
    echo 'create_main_cluster = false' | $sudo tee /etc/postgresql-common/createcluster.d/zealous-axle.conf >/dev/null
  fi
  echo "Installing $2 …"
  { $sudo apt-get update -qq && DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "$2"; } \
    >/tmp/zealous-axle-apt.$$ 2>&1 || fail "$2 could not be installed: $(tail -1 /tmp/zealous-axle-apt.$$)"
  rm -f /tmp/zealous-axle-apt.$$
}

# One hash over the contents of the named files and folders.
hash_of() { find "$@" -type f -not -path '*/node_modules/*' -not -path '*/dist/*' -not -path '*/.expo/*' -not -name '*-env.d.ts' -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1; }

# Runs a command when the hash of what it depends on has changed since it last went well.
when_changed() { # stamp-file hash words… -- command…
  local stamp=$1 hash=$2 words=$3
  shift 3
  [ "$(cat "$stamp" 2>/dev/null)" = "$hash" ] && return
  echo "$words"
  "$@" >"$stamp.log" 2>&1 || { tail -25 "$stamp.log" >&2; fail "That failed; the whole log is in $stamp.log"; }
  echo "$hash" >"$stamp"
}

# The packages: `install_npm run` without those that only tests, benches and pictures need, where those never were here.
install_npm() { # all|run
  mkdir -p .cache
  [ -d node_modules ] || rm -f .cache/npm .cache/npm-run
  local hash
  hash=$(hash_of package.json package-lock.json */package.json)
  [ "$(cat .cache/npm 2>/dev/null)" != "$hash" ] || return 0
  if [ "$1" = run ] && ! [ -e .cache/npm ]; then
    when_changed .cache/npm-run "$hash" 'Installing npm packages …' npm ci --omit=dev --no-audit --no-fund --loglevel=error
  else
    rm -f .cache/npm-run
    when_changed .cache/npm "$hash" 'Installing npm packages …' npm ci --no-audit --no-fund --loglevel=error
  fi
}

build_all() {
  mkdir -p .cache
  [ -f app/dist/sw.js ] || rm -f .cache/app
  [ -f server/dist/main.js ] || rm -f .cache/server
  when_changed .cache/server "$(hash_of package-lock.json core server/src server/package.json)" 'Building the server …' \
    npm run --silent build -w server
  when_changed .cache/app "$(hash_of package-lock.json core app)" 'Building the app (a minute or two the first time) …' \
    npm run --silent build -w app
}
