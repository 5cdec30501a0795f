#!/usr/bin/env bash
# Prints the engine's figures for docs/quality.md, and the memory of an engine.
set -euo pipefail
cd "$(dirname "$0")/.."
mvn -q -B -ntp -pl sound test-compile dependency:build-classpath -Dmdep.outputFile=target/test.classpath -Dmdep.includeScope=test
java -cp "sound/target/test-classes:sound/target/classes:$(cat sound/target/test.classpath)" gentlecomet.sound.engine.Figures
