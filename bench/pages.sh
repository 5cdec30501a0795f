#!/usr/bin/env bash
# Server time and bytes of each page, and of an edit that brings other bars: medians of 21 requests after 5 that warm up.
# Usage: bench/pages.sh http://127.0.0.1:8080 COLLECTION BANK PATCH   (numbers from the addresses of the pages)
set -euo pipefail
base="$1" collection="$2" bank="$3" patch="$4"
jar="$(mktemp)"; trap 'rm -f "$jar"' EXIT

ask() { curl -s -o /dev/null -b "$jar" -c "$jar" -w '%{time_starttransfer} %{time_total} %{size_download} %{http_code}\n' "$@"; }
median() { sort -n | sed -n 11p; }
page() {
  local name="$1"; shift
  for _ in 1 2 3 4 5; do ask "$@" >/dev/null; done
  local lines; lines="$(for _ in $(seq 21); do ask "$@"; done)"
  printf '%-12s %7.1f ms  %8d bytes  %s\n' "$name" "$(awk '{print 1000 * $2}' <<<"$lines" | median)" "$(awk '{print $3}' <<<"$lines" | median)" \
    "$(awk '{print $4}' <<<"$lines" | sort -u | tr '\n' ' ')"
}
page home "$base/collections/$collection"
page rules "$base/collections/$collection/rules"
page bank "$base/banks/$bank"
page levels "$base/banks/$bank/levels"
page soundcheck "$base/banks/$bank/soundcheck"
page listening "$base/banks/$bank/listening"
page releases "$base/collections/$collection/releases"
page bench "$base/patches/$patch"

# The same choice to and fro: a source's wave, which brings other bars.
token="$(awk '$6 == "XSRF-TOKEN" {print $7}' "$jar")"
waves=(saw table)
turn=0
edit() {
  local page version pieces
  page="$(curl -s -b "$jar" -c "$jar" "$base/patches/$patch/bench")"
  version="$(grep -o 'data-version="[0-9]*"' <<<"$page" | head -1 | tr -dc 0-9)"
  # As the page does: the pieces that it has are not sent again.
  pieces="$(grep -o 'data-piece="[a-zA-Z0-9.]*"[^<>]* data-hash="[0-9a-f]*"' <<<"$page" | sed 's/data-piece="\([a-zA-Z0-9.]*\)".* data-hash="\([0-9a-f]*\)"/\1:\2/' | tr '\n' ' ')"
  turn=$((turn + 1))
  ask -H "X-XSRF-TOKEN: $token" -H "Origin: $base" -H "X-Pieces: $pieces" --data-urlencode "version=$version" \
    -d "kind=choose&target=layer1.source1.wave&value=${waves[$((turn % 2))]}" "$base/patches/$patch/edits"
}
for _ in 1 2 3 4 5; do edit >/dev/null; done
lines="$(for _ in $(seq 21); do edit; done)"
printf '%-12s %7.1f ms  %8d bytes  %s\n' edit "$(awk '{print 1000 * $2}' <<<"$lines" | median)" "$(awk '{print $3}' <<<"$lines" | median)" "$(awk '{print $4}' <<<"$lines" | sort -u | tr '\n' ' ')"
