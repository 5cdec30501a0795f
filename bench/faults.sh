#!/bin/sh
# Puts faults into good patches of the demos and prints which the soundcheck finds. Arguments: ids of rules, none for all.
cd "$(dirname "$0")/.." || exit 1
mvn -q -B -ntp -pl bench -am package -DskipTests
exec java -XX:MaxVectorSize=16 -cp bench/target/benchmarks.jar gentlecomet.bench.faults.FaultFinding "$@"
