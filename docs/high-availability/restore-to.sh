#!/bin/sh
# restore-to.sh '2026-03-02 09:14:00+00': brings the cluster back to a moment, from what pgBackRest keeps.
# As root on the first database host, with Tetrad and, on both hosts, Patroni stopped.
set -eu
[ $# -eq 1 ] || { echo "usage: restore-to.sh 'YYYY-MM-DD HH:MM:SS+00'" >&2; exit 2; }
data=${TETRAD_CLUSTER:-/var/lib/postgresql/15/tetrad}
sockets=${TETRAD_SOCKETS:-/var/run/postgresql}
config=${TETRAD_PATRONI:-/etc/patroni/config.yml}
bin=/usr/lib/postgresql/15/bin
as_postgres() { setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"; }
ask() { as_postgres psql -h "$sockets" -d postgres -Atqc "$1"; }
cd /

as_postgres pgbackrest --stanza=tetrad --delta --type=time "--target=$1" --target-action=promote restore
as_postgres "$bin/pg_ctl" -D "$data" -w -t 3600 -l "$data/restore.log" start
until [ "$(ask 'SELECT pg_is_in_recovery()')" = f ]; do sleep 1; done
for setting in restore_command recovery_target_time recovery_target_action; do ask "ALTER SYSTEM RESET $setting"; done
as_postgres "$bin/pg_ctl" -D "$data" -w stop

# The hosts forget who was the primary: this one's data are the cluster from now on.
printf 'tetrad\nYes I am aware\n' | as_postgres patronictl -c "$config" remove tetrad
