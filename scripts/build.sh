#!/usr/bin/env bash
# Builds the server and the app where what they depend on has changed.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/install.sh
install_npm run
build_all
