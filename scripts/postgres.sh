#!/usr/bin/env bash
# A private PostgreSQL cluster on loopback.
# usage: postgres.sh start|stop|running|alive|url|destroy
# env:   CLUSTER=folder of the cluster   CLUSTER_FAST=1 for a throwaway one (no fsync)
set -euo pipefail
: "${CLUSTER:?name the folder of the cluster}"
mkdir -p "$CLUSTER"
CLUSTER=$(cd "$CLUSTER" && pwd -P)
BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1 || true)
[ -x "$BIN/postgres" ] || { echo "PostgreSQL is not installed: apt-get install postgresql" >&2; exit 3; }
cd / # the user postgres may not be allowed to read the current folder

if [ "$(id -u)" = 0 ]; then # PostgreSQL refuses to run as root
  as() { setpriv --reuid=postgres --regid=postgres --init-groups --reset-env -- "$@"; }
  # Below a folder that postgres may not enter, the cluster lives elsewhere, named after the wanted path.
  as test -x "$CLUSTER/.." || CLUSTER=/var/lib/postgresql/axle-$(printf %s "$CLUSTER" | cksum | cut -d' ' -f1)
  mkdir -p "$CLUSTER"
  chown postgres: "$CLUSTER"
else
  as() { "$@"; }
fi
chmod 700 "$CLUSTER"
DATA=$CLUSTER/data PORTFILE=$CLUSTER/port LOG=$CLUSTER/log SECRET=$CLUSTER/owner-password
SOCK=$CLUSTER/sock
[ ${#SOCK} -le 85 ] || SOCK=/tmp/axle-$(printf %s "$DATA" | cksum | cut -d' ' -f1) # a socket's path has 107 bytes at most

free_port() { node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }
# Neither pg_ctl status nor the pid file can be believed after a crash: a pid may be dead or somebody else's.
# Every live process of a cluster has its data folder as working directory; the postmaster is the one they are children of.
processes() {
  local cwd pid
  for cwd in /proc/[0-9]*/cwd; do
    [ "$(readlink "$cwd" 2>/dev/null)" = "$DATA" ] || continue
    pid=${cwd#/proc/}
    echo "${pid%/cwd}"
  done
}
# The cheap question of whoever watches.
alive() { [ "$(readlink "/proc/$(head -1 "$DATA/postmaster.pid" 2>/dev/null || echo none)/cwd" 2>/dev/null)" = "$DATA" ]; }
running() {
  local pid
  ! alive || return 0
  for pid in $(processes); do tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q "postgres -D" && return 0; done
  return 1
}
# After a kill -9 of the postmaster its children end by themselves, in a moment.
gone() {
  local tries
  for tries in $(seq 100); do
    [ -n "$(processes)" ] || return 0
    sleep 0.1
  done
}
url() { echo "postgres://axle_owner:$(cat "$SECRET")@127.0.0.1:$(cat "$PORTFILE")/postgres"; }

exec 9>"$CLUSTER/lock"
flock 9 # two starts at once: the second waits for the first
case ${1:-} in
start)
  if ! [ -s "$DATA/PG_VERSION" ]; then
    rm -rf "$DATA.new"
    [ -s "$SECRET" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9' >"$SECRET")
    [ "$(id -u)" != 0 ] || chown postgres: "$SECRET"
    as "$BIN/initdb" -D "$DATA.new" -U axle_owner -A scram-sha-256 --pwfile="$SECRET" -E UTF8 --locale=C.UTF-8 \
      ${CLUSTER_FAST:+--no-sync} >"$CLUSTER/initdb.log" 2>&1 9>&- ||
      { echo "The database could not be made: $(tail -1 "$CLUSTER/initdb.log")" >&2; exit 4; }
    mv "$DATA.new" "$DATA" # never a half-made cluster
  fi
  if ! running; then
    gone
    rm -f "$DATA/postmaster.pid"
    as mkdir -p -m 700 "$SOCK"
    fast=
    [ -z "${CLUSTER_FAST:-}" ] || fast="-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
    # Its own port, which whoever knows its address asks: another only when somebody else keeps that.
    for try in 1 2 3 4 5; do
      if [ $try -le 3 ] && [ -s "$PORTFILE" ]; then port=$(cat "$PORTFILE"); else port=$(free_port); fi
      as "$BIN/pg_ctl" -D "$DATA" -l "$LOG" -w -t 60 \
        -o "-p $port -h 127.0.0.1 -k $SOCK -c max_connections=100 $fast" start >/dev/null 2>&1 9>&- &&
        { echo "$port" >"$PORTFILE"; break; }
      [ $try -lt 5 ] || { echo "The database does not start; $LOG says: $(tail -3 "$LOG" | tr '\n' ' ')" >&2; exit 5; }
      sleep 1
    done
  fi
  url
  ;;
stop) if running; then as "$BIN/pg_ctl" -D "$DATA" -m fast -w stop >/dev/null; fi ;;
running) running ;;
alive) alive ;;
url) url ;;
destroy)
  if running; then as "$BIN/pg_ctl" -D "$DATA" -m immediate -w stop >/dev/null || true; fi
  rm -rf "$CLUSTER" "$SOCK"
  ;;
*) sed -n 3p "$0" >&2; exit 2 ;;
esac
