# What ./start and ./test share: installing what is missing, and the processes of one instance.
# An instance is a folder under var/ with its own settings, data, logs and ports: `main` is that of ./start.
# Sourced by bash with `set -euo pipefail`; ROOT is the project's folder.

# Servers live in /usr/sbin, which an ordinary user does not have in the path.
PATH="$PATH:/usr/sbin:/sbin"

say() { printf '%s\n' "$*"; }
fail() {
    printf 'Row Tally: %s\n' "$*" >&2
    exit 1
}

use_instance() { # name, first of two ports
    INSTANCE=$1
    WEB_PORT=$2
    DB_PORT=$(($2 + 1))
    HOME_DIR="$ROOT/var/$INSTANCE"
    RUN="$HOME_DIR/run"
    LOG="$HOME_DIR/log"
    DATA="$HOME_DIR/mariadb"
    mkdir -p "$RUN" "$LOG" "$HOME_DIR/storage/app/private" "$HOME_DIR/storage/logs" "$HOME_DIR/storage/framework/views"
    # Run as root, others work in it, who go through it and see nothing of it.
    chmod "$([ "$(id -u)" = 0 ] && echo 711 || echo 700)" "$HOME_DIR"
    # A socket's path may have 107 characters; a deep folder gets a short one under /tmp, owned and closed to others.
    SOCKETS=$RUN
    if [ ${#SOCKETS} -gt 90 ]; then
        SOCKETS="${TMPDIR:-/tmp}/rowtally-$(id -u)-$(printf %s "$HOME_DIR" | cksum | cut -d' ' -f1)"
        mkdir -p "$SOCKETS" && chmod 700 "$SOCKETS" && [ -O "$SOCKETS" ] || fail "the folder $SOCKETS belongs to somebody else; remove it or set TMPDIR."
    fi
    export ROWTALLY_INSTANCE=$INSTANCE
    export APP_CONFIG_CACHE="$HOME_DIR/storage/framework/config.php"
    export APP_ROUTES_CACHE="$HOME_DIR/storage/framework/routes.php"
    export APP_SERVICES_CACHE="$HOME_DIR/storage/framework/services.php"
    export APP_PACKAGES_CACHE="$HOME_DIR/storage/framework/packages.php"
    export APP_EVENTS_CACHE="$HOME_DIR/storage/framework/events.php"
}

# --- Installing ------------------------------------------------------------------------------------------------------

as_root() {
    if [ "$(id -u)" = 0 ]; then
        "$@"
    elif command -v sudo >/dev/null; then
        sudo -E "$@" || fail "\"$1\" needs administrator rights, and sudo did not give them."
    else
        fail "installing packages needs administrator rights: run this as root once, or install sudo."
    fi
}

need_packages() { # list files
    local missing
    missing=$(cat "$@" | while read -r package; do
        # A package's work may be done by another one (composer from its own site, say); what counts is that it is there.
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q '^install ok installed' || printf '%s ' "$package"
    done)
    [ -n "$missing" ] || return 0
    command -v apt-get >/dev/null || fail "this is not a Debian machine; install these packages yourself: $missing"
    say "Installing Debian packages: $missing"
    as_root true
    local log="$HOME_DIR/log/apt.log" policy=/usr/sbin/policy-rc.d made_policy=''
    # The packages' own services must not start: Row Tally runs its own, on its own ports.
    if [ ! -e $policy ]; then
        printf '#!/bin/sh\nexit 101\n' | as_root tee $policy >/dev/null && as_root chmod 755 $policy && made_policy=1
    fi
    local outcome=0
    {
        as_root env DEBIAN_FRONTEND=noninteractive apt-get update -q &&
            # shellcheck disable=SC2086
            as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends $missing
    } >"$log" 2>&1 || outcome=$?
    [ -z "$made_policy" ] || as_root rm -f $policy
    [ $outcome = 0 ] || fail "Debian's packages could not be installed; the last lines of $log say: $(tail -n 2 "$log" | tr '\n' ' ')"
}

need_node() {
    local have=0
    export PATH="$ROOT/var/tools/node_modules/.bin:$PATH"
    if command -v node >/dev/null; then
        have=$(node -p 'const [a, b] = process.versions.node.split("."); a > 20 || (a == 20 && b >= 19) ? 1 : 0')
    fi
    if [ "$have" != 1 ] || ! command -v npm >/dev/null; then
        command -v npm >/dev/null || { printf 'npm\n' >"$RUN/npm.txt" && need_packages "$RUN/npm.txt"; }
        say "Installing Node.js 22 for the project (this machine's is too old)"
        npm install --silent --no-fund --no-audit --prefix "$ROOT/var/tools" node@22 >"$LOG/npm.log" 2>&1 ||
            fail "Node.js could not be installed; see $LOG/npm.log"
    fi
    if [ "$(npm --version | cut -d. -f1)" -lt 11 ]; then
        say "Installing npm 11 for the project"
        npm install --silent --no-fund --no-audit --prefix "$ROOT/var/tools" npm@11 >>"$LOG/npm.log" 2>&1 ||
            fail "npm could not be installed; see $LOG/npm.log"
    fi
    hash -r
}

# Runs a step only when the files it depends on have changed since it last went well.
when_changed() { # stamp name, command, files…
    local stamp="$ROOT/var/stamps/$1" step=$2 sum
    shift 2
    sum=$(find "$@" -type f -print0 | sort -z | xargs -0 cat | cksum)
    [ "$(cat "$stamp" 2>/dev/null)" = "$sum" ] && return 0
    mkdir -p "${stamp%/*}"
    $step
    printf '%s' "$sum" >"$stamp"
}

install_php_libraries() {
    say "Installing PHP libraries"
    COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress --quiet --working-dir="$ROOT" >"$LOG/composer.log" 2>&1 ||
        fail "the PHP libraries could not be installed; see $LOG/composer.log"
}

install_node_libraries() {
    say "Installing front-end libraries"
    # Not `npm ci`: the lock lacks binaries for other systems that the package copy it was made from does not hold.
    (cd "$ROOT" && npm install --no-save --no-fund --no-audit --loglevel=error >"$LOG/npm.log" 2>&1) ||
        fail "the front-end libraries could not be installed; see $LOG/npm.log"
}

build_front_end() {
    say "Building the front end"
    (cd "$ROOT" && npx vite build --logLevel warn >"$LOG/vite.log" 2>&1) || fail "the front end could not be built; see $LOG/vite.log"
    # Faces are packed already.
    find "$ROOT/public/build/assets" -type f \( -name '*.js' -o -name '*.css' -o -name '*.svg' \) -exec gzip -9 -k -f {} +
}

install_all() { # package lists
    need_packages "$@"
    need_node
    [ -d "$ROOT/vendor" ] || rm -f "$ROOT/var/stamps/php"
    [ -d "$ROOT/node_modules" ] || rm -f "$ROOT/var/stamps/node"
    [ -f "$ROOT/public/build/manifest.json" ] || rm -f "$ROOT/var/stamps/front"
    when_changed php install_php_libraries "$ROOT/composer.json"
    when_changed node install_node_libraries "$ROOT/package.json" "$ROOT/package-lock.json"
    when_changed front build_front_end "$ROOT/resources" "$ROOT/package-lock.json" "$ROOT/vite.config.ts"
}

# --- Processes -------------------------------------------------------------------------------------------------------

need_free_port() { # port, variable to set
    if (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; then
        fail "port $1 is in use by another program; stop that, or choose others: $2=NUMBER ./start"
    fi
}

# Started as root, PHP, its workers, the web server and the database each run as a user of their own; none can sign in. Workers, which read
# files from outside, share the group of PHP and what it stores, and nothing else of its.
WEB_USER=rowtally
WORK_USER=rowtally-work
NGINX_USER=rowtally-web
DB_USER=rowtally-db

use_own_users() {
    OWN_USERS=''
    [ "$(id -u)" = 0 ] || return 0
    local user
    for user in $WEB_USER $WORK_USER $NGINX_USER $DB_USER; do
        id "$user" >/dev/null 2>&1 || useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$user" >>"$LOG/users.log" 2>&1 || return 0
    done
    # A folder that others may not enter (below /root, say) cannot be served by them.
    if ! setpriv --reuid=$NGINX_USER --regid=$NGINX_USER --clear-groups test -r "$ROOT/public/index.php" -a -x "$ROOT/public"; then
        say "Note: the folder $ROOT is closed to other users, so all of Row Tally runs as root. Put it where they can read it (/opt or /srv, say)."
        return 0
    fi
    OWN_USERS=1
    # The program holds no secrets; some of its libraries are unpacked as if they did.
    chmod -R o+rX "$ROOT"/{api,app,artisan,bootstrap,config,core,database,demo,ops,public,resources,routes,vendor}
    # Closed to all others; the key and the password stay root's, who hands them over.
    chmod 711 "$HOME_DIR"
    chown root:root "$HOME_DIR"
    [ ! -f "$HOME_DIR/env" ] || chmod 600 "$HOME_DIR/env"
    mkdir -p "$DATA"
    chown -R $DB_USER:$DB_USER "$DATA"
    chmod 700 "$DATA"
    # Written by PHP and by workers; what one makes the other may take away.
    chown -R $WEB_USER:$WEB_USER "$HOME_DIR/storage"
    chmod -R g+rwX,o-rwx "$HOME_DIR/storage"
    find "$HOME_DIR/storage" -type d -exec chmod g+s {} +
    # Logs and sockets are written by both, each its own.
    chmod 1777 "$RUN" "$LOG" "$SOCKETS"
    chown -R $WEB_USER:$WEB_USER "$RUN" "$LOG"
    find "$RUN" "$LOG" -maxdepth 1 -name 'mariadb*' -type f -exec chown $DB_USER:$DB_USER {} +
    find "$RUN" "$LOG" -maxdepth 1 \( -name 'nginx*' -o -name 'access.log*' \) -exec chown -R $NGINX_USER:$NGINX_USER {} +
}

# Runs a command as the user of PHP.
as_web_user() { (
    [ -z "${OWN_USERS:-}" ] || umask 007
    ${OWN_USERS:+setpriv --reuid=$WEB_USER --regid=$WEB_USER --clear-groups} "$@"
); }

# Behind a proxy of ours (PROXY_ADDRESS in the settings) who asks is whom that one says.
real_ip() {
    [ -n "${PROXY_ADDRESS:-}" ] || return 0
    local one
    for one in $PROXY_ADDRESS; do
        [[ $one =~ ^[0-9a-fA-F.:/]+$ ]] || fail "PROXY_ADDRESS: $one is no address."
        printf '    set_real_ip_from %s;\n' "$one"
    done
    printf '    real_ip_header X-Forwarded-For;'
}

fill_in() { # template, target
    local user_line='' socket_lines='listen.mode = 0600'
    # The web server reaches PHP by this socket, and nobody else.
    [ -z "${OWN_USERS:-}" ] || socket_lines="listen.group = $NGINX_USER"$'\n''listen.mode = 0660'
    if [ "$(id -u)" = 0 ] && [ -z "${OWN_USERS:-}" ]; then
        case $1 in
            nginx) user_line="user root;" ;;
            php-fpm) user_line=$'user = root\ngroup = root' ;;
        esac
    fi
    local text
    text=$(cat "$2")
    text=${text//@ROOT@/$ROOT}
    text=${text//@RUN@/$RUN}
    text=${text//@LOG@/$LOG}
    text=${text//@DATA@/$DATA}
    text=${text//@SOCKETS@/$SOCKETS}
    text=${text//@WEB_PORT@/$WEB_PORT}
    text=${text//@LISTEN@/${LISTEN_ADDRESS:-127.0.0.1}}
    text=${text//@DB_PORT@/$DB_PORT}
    text=${text//@USER_LINE@/$user_line}
    text=${text//@SOCKET_LINES@/$socket_lines}
    text=${text//@REAL_IP@/$(real_ip)}
    text=${text//@STORAGE@/$HOME_DIR/storage}
    text=${text//@OWNER@/$(id -un) $(id -gn)}
    printf '%s\n' "$text" >"$3"
}

write_settings() {
    # Written once: the key and the password belong to the data beside them.
    if [ ! -f "$HOME_DIR/env" ]; then
        (
            umask 077
            {
                printf 'APP_KEY=base64:%s\n' "$(head -c 32 /dev/urandom | base64)"
                printf 'DB_PASSWORD=%s\n' "$(head -c 24 /dev/urandom | base64 | tr -d '+/=')"
            } >"$HOME_DIR/env"
        )
    fi
    # shellcheck disable=SC1091
    set -a && . "$HOME_DIR/env" && set +a
    export ROWTALLY_LOG=$LOG
    # That of this machine by its socket; nodes of a cluster by the network.
    DB_SOCKET=$SOCKETS/db.sock
    [ -z "${DB_CLUSTER:-}" ] || DB_SOCKET=''
    export DB_PORT DB_SOCKET DB_DATABASE=rowtally DB_USERNAME=rowtally
    export APP_ENV=${APP_ENV:-production} APP_URL="${APP_URL:-http://127.0.0.1:$WEB_PORT}" SESSION_COOKIE="rowtally_$INSTANCE"
    use_own_users
    fill_in nginx "$ROOT/ops/nginx.conf.template" "$RUN/nginx.conf"
    fill_in php-fpm "$ROOT/ops/php-fpm.conf.template" "$RUN/php-fpm.conf"
    fill_in logrotate "$ROOT/ops/logrotate.conf.template" "$HOME_DIR/logrotate.conf"
    fill_in mariadb "$ROOT/ops/mariadb.cnf.template" "$RUN/mariadb.cnf"
}

# A process is known by its number and the moment it began: a number alone may belong to somebody else by now.
remember() { printf '%s %s' "$1" "$(began "$1")" >"$2"; } # pid, file
# One that has ended and that nobody has taken note of yet (a zombie) runs no more.
began() { sed 's/.*) //; /^Z/d' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }
is_running() { # file
    local pid='' moment=''
    read -r pid moment 2>/dev/null <"$1" || true
    [ -n "$pid" ] && [ -n "$moment" ] && [ "$(began "$pid")" = "$moment" ]
}

start_process() { # name, command…
    local name=$1
    shift
    # A session of its own: Ctrl-C reaches ./start alone, which then stops its processes in order.
    setsid "$@" >>"$LOG/$name.out" 2>&1 </dev/null &
    remember $! "$RUN/$name.started"
    disown
}

# With what it makes open to the group of PHP and its workers.
start_for_group() { # name, command…
    local before
    before=$(umask)
    [ -z "${OWN_USERS:-}" ] || umask 007
    start_process "$@"
    umask "$before"
}

wait_for() { # seconds, what, command…
    local tries=$(($1 * 10)) what=$2
    shift 2
    until "$@" >/dev/null 2>&1; do
        tries=$((tries - 1))
        [ $tries -gt 0 ] || fail "$what did not start; see the files in $LOG"
        sleep 0.1
    done
}


run_database() {
    local as_user=()
    [ "$(id -u)" != 0 ] || as_user=(--user=root)
    [ -z "${OWN_USERS:-}" ] || as_user=(--user=$DB_USER)
    rm -f "$SOCKETS/db.sock"
    start_process mariadb mariadbd --defaults-file="$RUN/mariadb.cnf" "${as_user[@]}"
}

make_database() {
    local as_user=()
    [ -z "${OWN_USERS:-}" ] || as_user=(--user=$DB_USER)
    if [ ! -d "$DATA/mysql" ]; then
        say "Making the database"
        # What an interrupted making has left; the folder itself may be a disk of its own.
        find "$DATA" -mindepth 1 -delete 2>/dev/null || true
        mariadb-install-db --no-defaults --datadir="$DATA" --auth-root-authentication-method=socket \
            --auth-root-socket-user="$(id -un)" --skip-test-db "${as_user[@]}" >"$LOG/mariadb-install.log" 2>&1 ||
            fail "the database could not be made; see $LOG/mariadb-install.log"
    fi
}

start_database() {
    make_database
    run_database
    let_in
}

# The application's own account in the database, with the password of the settings.
let_in() {
    wait_for 60 "the database" database_root -e 'SELECT 1'
    database_root -e "CREATE DATABASE IF NOT EXISTS rowtally CHARACTER SET utf8mb4 COLLATE utf8mb4_bin;
        CREATE USER IF NOT EXISTS 'rowtally'@'localhost' IDENTIFIED BY '$DB_PASSWORD';
        ALTER USER 'rowtally'@'localhost' IDENTIFIED BY '$DB_PASSWORD';
        GRANT ALL ON rowtally.* TO 'rowtally'@'localhost';"
}

# The account that the installation makes for the person who runs it, let in by the socket alone.
database_root() { mariadb --no-defaults --protocol=socket --socket="$SOCKETS/db.sock" --user="$(id -un)" "$@"; }

# Our settings are read after the machine's own: Debian's switch the just-in-time compiler off, which halves the speed of loops.
with_php_settings() { PHP_INI_SCAN_DIR=":$ROOT/ops/php.d" "$@"; }

# Debuggers and coverage tools that are loaded into PHP keep its just-in-time compiler off.
jit_is_on() { with_php_settings php -r 'exit((opcache_get_status(false)["jit"]["on"] ?? false) ? 0 : 1);' >/dev/null 2>&1; }

artisan() { with_php_settings as_web_user php -d opcache.enable_cli=0 "$ROOT/artisan" "$@"; }

# Settings, routes and events are read once and kept; the tables are brought up to date.
prepare_application() {
    local what
    for what in config:cache route:cache event:cache 'migrate --force'; do
        # shellcheck disable=SC2086
        artisan $what --quiet
    done
}

run_php() {
    local as_root_flags=()
    [ "$(id -u)" != 0 ] || [ -n "${OWN_USERS:-}" ] || as_root_flags=(--allow-to-run-as-root -d opcache.preload_user=root)
    rm -f "$SOCKETS/php.sock"
    with_php_settings start_for_group php-fpm ${OWN_USERS:+setpriv --reuid=$WEB_USER --regid=$WEB_USER --groups=$NGINX_USER} php-fpm8.2 --fpm-config "$RUN/php-fpm.conf" --nodaemonize -d "opcache.preload=$ROOT/ops/preload.php" "${as_root_flags[@]}"
}

run_nginx() { start_process nginx ${OWN_USERS:+setpriv --reuid=$NGINX_USER --regid=$NGINX_USER --clear-groups} nginx -p "$RUN" -c "$RUN/nginx.conf" -e "$LOG/nginx.log"; }

start_web() {
    run_php
    run_nginx
    wait_for 30 "the web server" page_answers
}

page_answers() { curl --silent --fail --max-time 5 --output /dev/null "http://127.0.0.1:$WEB_PORT/api/session"; }

# Two that import, so that a long import does not hold up the next, and one that never does, so that two do not hold up a report.
WORKERS='worker-1 worker-2 worker-3'

run_worker() { # name
    local queues=default,imports,shares
    [ "$1" != worker-3 ] || queues=default
    with_php_settings start_for_group "$1" ${OWN_USERS:+setpriv --reuid=$WORK_USER --regid=$WEB_USER --clear-groups} bash "$ROOT/ops/worker.sh" "$ROOT" "$queues"
}

start_worker() {
    local name
    for name in $WORKERS; do run_worker "$name"; done
}

# Logs are turned over by day and by size, and gone after a month.
rotate_logs() { logrotate --state "$HOME_DIR/logrotate.state" "$HOME_DIR/logrotate.conf" >>"$LOG/logrotate.out" 2>&1 || true; }

# Each part that has ended is started again: at once, then after ever longer pauses where it ends again within twenty seconds.
declare -A ENDED_OFTEN=() NOT_BEFORE=() STARTED_AT=()
keep_running() {
    local name now
    printf -v now '%(%s)T' -1
    for name in mariadb php-fpm nginx $WORKERS; do
        if is_running "$RUN/$name.started"; then
            [ $((now - ${STARTED_AT[$name]:-0})) -lt 20 ] || ENDED_OFTEN[$name]=0
            continue
        fi
        [ "$now" -ge "${NOT_BEFORE[$name]:-0}" ] || continue
        kill_strays "$RUN/$name.started"
        ENDED_OFTEN[$name]=$((${ENDED_OFTEN[$name]:-0} + 1))
        local pause=$((1 << (ENDED_OFTEN[$name] < 4 ? ENDED_OFTEN[$name] - 1 : 3)))
        NOT_BEFORE[$name]=$((now + pause))
        STARTED_AT[$name]=$now
        printf '%(%F %T)T %s had ended and is started again (%s times; not again within %s seconds)\n' -1 "$name" "${ENDED_OFTEN[$name]}" "$pause" >>"$LOG/start.log"
        case $name in
            mariadb) run_database ;;
            php-fpm) run_php ;;
            nginx) run_nginx ;;
            *) run_worker "$name" ;;
        esac
    done
}

# What a process has left running that has died itself. Its number is nobody else's as long as one of its group is left.
kill_strays() { # file
    local pid='' moment='' now
    read -r pid moment 2>/dev/null <"$1" || true
    [ -n "$pid" ] || return 0
    now=$(began "$pid" || true)
    if [ -z "$now" ] || [ "$now" = "$moment" ]; then
        kill -KILL -- "-$pid" 2>/dev/null || true
    fi
}

stop_process() { # name
    local pid_file="$RUN/$1.started" pid=''
    if is_running "$pid_file"; then
        read -r pid _ <"$pid_file" || true
        kill -TERM "$pid" 2>/dev/null || true
        local tries=150
        while is_running "$pid_file" && [ $tries -gt 0 ]; do
            tries=$((tries - 1))
            sleep 0.1
        done
    fi
    kill_strays "$pid_file"
    rm -f "$pid_file"
}

stop_all() {
    local name
    for name in $WORKERS nginx php-fpm mariadb; do stop_process "$name"; done
}
