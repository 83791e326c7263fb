#!/usr/bin/env bash
# Runs a command on DATABASE_URL, or on the private database of ./start, which is started for it when it is not running.
# usage: with-database.sh command words…
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/install.sh
install_npm run

if [ -z "${DATABASE_URL:-}" ]; then
  need_package '/usr/lib/postgresql/*/bin/postgres' postgresql
  export CLUSTER=${ZA_DATA:-$PWD/.data}/cluster
  mkdir -p "$CLUSTER"
  if ! scripts/postgres.sh running; then trap 'scripts/postgres.sh stop' EXIT; fi
  DATABASE_URL=$(scripts/postgres.sh start)
  export DATABASE_URL
fi
"$@"
