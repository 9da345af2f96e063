#!/bin/sh
# A delivery in parts by GNU parallel, here or (with a file of hosts) over ssh.
#   parallel.sh JOB OUT RECIPES PARTS [HOSTS]
set -eu
job=$1 out=$2 recipes=$3 parts=$4 hosts=${5:-}
[ -n "$hosts" ] && set -- --sshloginfile "$hosts" || set --
# One part at a time on each machine: a part uses all its processors.
seq "$parts" | parallel --jobs 1 --halt soon,fail=1 "$@" \
  amber job handover "$job" --out "$out" --recipe "$recipes" --part "{}/$parts"
amber job merge "$out"
amber job verify "$out"
