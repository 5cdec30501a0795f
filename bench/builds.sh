#!/usr/bin/env bash
# Builds every sound of studio/src/test/resources/builds on the screen (about a minute each) and holds them against the demo.
# "bench/builds.sh write" writes them to studio/target/builds instead, from where they go to the demo. Needs a database: ./comet start first.
set -euo pipefail
cd "$(dirname "$0")/.."
export COMET_DB_PORT COMET_DB_PASSWORD
COMET_DB_PORT=$(cat .comet/pg_port)
COMET_DB_PASSWORD=$(cat .comet/password)
WRITE=""
[ "${1:-}" != write ] || WRITE="-Dcomet.builds.write=true"
mvn -B -ntp -pl sound,craft,live,studio verify -Dtest=BuildsTest -Dsurefire.failIfNoSpecifiedTests=false -DargLine="-Dcomet.builds= $WRITE"
