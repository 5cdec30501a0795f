#!/usr/bin/env bash
# Puts faults into good patches of the demos and prints which the soundcheck finds. Arguments: ids of rules, none for all.
set -euo pipefail
cd "$(dirname "$0")/.."
mvn -q -B -ntp -pl bench -am -DskipTests package dependency:copy-dependencies -DincludeScope=runtime -DoutputDirectory=target/lib -Dmdep.prependGroupId=false
exec java -XX:MaxVectorSize=16 -cp "bench/target/classes:bench/target/lib/*" gentlecomet.bench.faults.FaultFinding "$@"
