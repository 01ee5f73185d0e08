#!/usr/bin/env bash
# Plans a photo by the API: upload, zones, plan, sheet. Wants curl and jq, and a token that may read and change pieces (docs/api.md).
#   PRISM=https://studio.example.org TOKEN=… docs/plan-a-photo.sh harbour.jpg "Harbour, evening"
set -euo pipefail
: "${PRISM:?the address of the studio}" "${TOKEN:?a token of it}"
photo="$1" title="$2" paper="${3:-harbour-cartridge}"

ask() { curl --silent --show-error --fail-with-body --compressed ${CURL:-} -H "Authorization: Bearer $TOKEN" -H 'Accept: application/json' "$@"; }
# What is sent twice, because the answer was lost, is done once.
send() { ask --retry 5 --retry-connrefused -H "Idempotency-Key: $(cat /proc/sys/kernel/random/uuid)" "$@"; }
# Long work is begun, then asked for until it has ended.
finish() {
    local work state
    work="$(jq -r .id)"
    while state="$(ask "$PRISM/api/v1/works/$work")" && jq -e '.state != "done" and .state != "failed"' <<<"$state" >/dev/null; do sleep 1; done
    jq -e 'if .state == "done" then .result else error(.problem) end' <<<"$state"
}
work() { send --json "{\"kind\": \"$1\", \"piece\": \"$piece\"}" "$PRISM/api/v1/works" | finish >/dev/null; }

piece="$(send -F "photo=@$photo" -F "title=$title" -F "paper=$paper" "$PRISM/api/v1/pieces" | finish | jq -r .piece)"
work look
work planning
ask "$PRISM/api/v1/pieces/$piece/plan" | jq -r '.turns[] | [.number, .step.pencil.number // .role, .step.pencil.name // "", .step.pressurePercent // ""] | @tsv'
ask -H 'Accept: application/pdf' --output plan.pdf "$PRISM/api/v1/pieces/$piece/plan.pdf"
