#!/usr/bin/env bash
# Plays 10,000 random valid patches (or as many as given, from a seed on) and looks for faults and stuck voices.
# A round that fails prints its seed; "bench/random.sh 1 SEED" plays it again alone.
set -euo pipefail
cd "$(dirname "$0")/.."
mvn -B -ntp -pl sound test -Dtest=RandomPatchesTest -Dsurefire.failIfNoSpecifiedTests=false \
  -DargLine="-Dcomet.randomPatches=${1:-10000} -Dcomet.seed=${2:-20261124}"
