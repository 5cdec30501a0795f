#!/usr/bin/env bash
# Runs the JMH benchmarks (all of them, or those that match the arguments) and keeps the raw result beside this script.
set -euo pipefail
cd "$(dirname "$0")/.."
mvn -q -B -ntp -pl bench -am -DskipTests package dependency:copy-dependencies -DincludeScope=runtime -DoutputDirectory=target/lib -Dmdep.prependGroupId=false
java -cp "bench/target/classes:bench/target/lib/*" org.openjdk.jmh.Main -rf json -rff bench/target/result.json "$@"
