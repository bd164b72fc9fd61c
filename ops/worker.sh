#!/usr/bin/env bash
# A worker of the queues named: started again whenever it ends, so that a crash or a full memory stops one job and not all of them.
set -u
stopping=''
child=''
trap 'stopping=1; [ -z "$child" ] || kill -TERM "$child"' TERM INT
while [ -z "$stopping" ]; do
    php "$1/artisan" queue:work --queue="$2" --sleep=0.25 --max-time=3600 --memory=400 --timeout=10800 --quiet &
    child=$!
    wait "$child"
    [ -n "$stopping" ] && wait "$child"
    [ -z "$stopping" ] && sleep 1
done
