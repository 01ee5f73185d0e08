# Shared by bin/start and bin/test: what must be installed, and the private database.
# shellcheck shell=bash

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)"
cd "$ROOT" || exit 1
export PHP_INI_SCAN_DIR=":$ROOT/bin/php"
export COMPOSER_ALLOW_SUPERUSER=1

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }

# --- Debian packages -------------------------------------------------------------------------------------------------

missing_packages() {
    local need=()
    command -v php >/dev/null || need+=(php8.2-cli)
    local modules
    modules="$(php -m 2>/dev/null)"
    for pair in pdo_mysql:php8.2-mysql curl:php8.2-curl zip:php8.2-zip bcmath:php8.2-bcmath imagick:php8.2-imagick mbstring:php8.2-mbstring intl:php8.2-intl dom:php8.2-xml; do
        grep -qix "${pair%%:*}" <<<"$modules" || need+=("${pair#*:}")
    done
    command -v mariadbd >/dev/null || [ -x /usr/sbin/mariadbd ] || need+=(mariadb-server)
    command -v rsync >/dev/null || need+=(rsync)
    command -v composer >/dev/null || need+=(composer)
    command -v node >/dev/null || need+=(nodejs npm)
    [ "${1:-}" = with-browser ] && { command -v chromium-headless-shell >/dev/null || need+=(chromium-headless-shell); }
    echo "${need[@]}"
}

ensure_packages() {
    local need sudo=""
    need="$(missing_packages "${1:-}")"
    [ -z "$need" ] && return
    if [ "$(id -u)" != 0 ]; then
        command -v sudo >/dev/null && sudo -n true 2>/dev/null && sudo="sudo"
        [ -n "$sudo" ] || fail "These Debian packages are missing: $need
Install them with: apt-get install $need"
    fi
    say "Installing Debian packages: $need"
    $sudo apt-get -qq -o DPkg::Lock::Timeout=300 update >/dev/null
    # shellcheck disable=SC2086
    DEBIAN_FRONTEND=noninteractive $sudo apt-get -qq -y -o DPkg::Lock::Timeout=300 install $need >/dev/null || fail "apt-get could not install: $need"
}

# The front end's tools need a Node.js that is newer than some systems have.
ensure_node() {
    local major
    major="$(node -p 'process.versions.node.split(".")[0]' 2>/dev/null || echo 0)"
    [ "$major" -ge 20 ] || fail "Node.js 20 or newer is needed; here is ${major}. Install it, then start again."
}

# --- packages of the project -----------------------------------------------------------------------------------------

# Runs a command when the digest of the given files differs from that of the last time.
once_for() {
    local stamp="storage/stamps/$1"
    shift
    local files=()
    while [ "$1" != -- ]; do files+=("$1"); shift; done
    shift
    local digest
    digest="$(find "${files[@]}" -type f -print0 2>/dev/null | sort -z | xargs -0 sha1sum | sha1sum)"
    [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$digest" ] && return 0
    "$@" || return 1
    mkdir -p "$(dirname "$stamp")"
    echo "$digest" >"$stamp"
}

ensure_folders() {
    mkdir -p storage/app storage/logs storage/framework/{cache/data,sessions,views,phpunit,phpstan} bootstrap/cache
}

# ensure_dependencies [with-bucket]: side by side, since each mostly waits for what it fetches. The bucket is the store of hosting/bucket, which
# stands for one that several machines share.
ensure_dependencies() {
    local php
    fetch_php &
    php=$!
    fetch_node "${1:-}"
    wait "$php" || exit 1
}
fetch_php() {
    [ -d vendor ] || rm -f storage/stamps/composer
    once_for composer composer.json -- composer install --no-interaction --no-progress --quiet || fail "Composer could not install the PHP packages."
}
fetch_node() {
    local bucket=""
    ensure_node
    [ -d node_modules ] || rm -f storage/stamps/npm
    [ -d hosting/bucket/node_modules ] || rm -f storage/stamps/bucket
    if [ "${1:-}" = with-bucket ]; then
        once_for bucket hosting/bucket/package-lock.json -- npm ci --prefix hosting/bucket --no-audit --no-fund --silent &
        bucket=$!
    fi
    once_for npm package-lock.json -- npm ci --no-audit --no-fund --silent || fail "npm could not install the front end's packages."
    [ -z "$bucket" ] || wait "$bucket" || fail "npm could not install the store for tests."
}

ensure_front_end() {
    [ -f public/build/manifest.json ] || rm -f storage/stamps/front-end
    once_for front-end resources/js vite.config.ts tsconfig.json package-lock.json -- npx vite build --logLevel warn || fail "The front end could not be built."
}

random_text() { head -c 24 /dev/urandom | base64 | tr -d '/+=' ; }

ensure_env() {
    [ -f .env ] && return
    # The first free port from 33061 on; from then on it stays that one.
    sed -e "s|^DB_PORT=.*|DB_PORT=$(free_port 33061)|" -e "s|^APP_KEY=.*|APP_KEY=base64:$(head -c 32 /dev/urandom | base64)|" -e "s|^DB_PASSWORD=.*|DB_PASSWORD=$(random_text)|" .env.example >.env
    chmod 600 .env
}

env_value() { sed -n "s/^$1=\"\{0,1\}\([^\"]*\)\"\{0,1\}$/\1/p" .env | head -n 1; }

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
    local port=$1
    while port_taken "$port"; do port=$((port + 1)); done
    echo "$port"
}

# --- the private MariaDB ---------------------------------------------------------------------------------------------

DB_PID=""

# start_database FOLDER PORT: on loopback only, never the system service.
start_database() {
    local data="$1" port="$2" user socket
    socket="$data/db.sock"
    # A socket's path may have 107 characters.
    [ "${#socket}" -le 100 ] || socket="/tmp/prism-$(printf '%s' "$data" | sha1sum | cut -c1-12).sock"
    DB_SOCKET="$socket"
    port_taken "$port" && fail "Port $port is taken, so the database cannot start. Set DB_PORT in .env to a free one."
    mkdir -p "$data"
    local as=()
    if [ "$(id -u)" = 0 ]; then
        chown mysql: "$data"
        user=mysql
        # Where the folders above keep mysql out, the server runs as who started it.
        runuser -u mysql -- test -w "$data" 2>/dev/null || user=root
        chown -R "$user": "$data"
        as=(--user="$user")
    fi
    if [ ! -d "$data/mysql" ]; then
        mariadb-install-db --no-defaults "${as[@]}" --datadir="$data" --auth-root-authentication-method=normal --skip-test-db >"storage/logs/mariadb-install.log" 2>&1 \
            || fail "The database could not be set up; see storage/logs/mariadb-install.log."
    fi
    local server
    server="$(command -v mariadbd || echo /usr/sbin/mariadbd)"
    # shellcheck disable=SC2086
    setsid "$server" --no-defaults "${as[@]}" --datadir="$data" --socket="$socket" --port="$port" --bind-address=127.0.0.1 \
        --pid-file="$data/db.pid" --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --skip-name-resolve \
        --innodb-flush-log-at-trx-commit="${PRISM_DB_FLUSH:-1}" ${PRISM_DB_OPTIONS:-} >"storage/logs/mariadb.log" 2>&1 </dev/null &
    DB_PID=$!
    for _ in $(seq 1 150); do
        mariadb-admin --no-defaults -uroot --socket="$socket" ping >/dev/null 2>&1 && return 0
        kill -0 "$DB_PID" 2>/dev/null || break
        sleep 0.1
    done
    fail "The database did not start; see storage/logs/mariadb.log."
}

# create_database NAME USER PASSWORD: root is let in by the socket only.
create_database() {
    mariadb --no-defaults -uroot --socket="$DB_SOCKET" <<SQL
CREATE DATABASE IF NOT EXISTS \`$1\`;
CREATE USER IF NOT EXISTS '$2'@'127.0.0.1' IDENTIFIED BY '$3';
ALTER USER '$2'@'127.0.0.1' IDENTIFIED BY '$3';
GRANT ALL ON \`$1\`.* TO '$2'@'127.0.0.1';
DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost');
FLUSH PRIVILEGES;
SQL
}

stop_database() {
    [ -n "$DB_PID" ] || return 0
    mariadb-admin --no-defaults -uroot --socket="$DB_SOCKET" shutdown >/dev/null 2>&1 || kill "$DB_PID" 2>/dev/null
    wait "$DB_PID" 2>/dev/null
    DB_PID=""
}

# --- the web server and the queue ------------------------------------------------------------------------------------

GROUPS_STARTED=()

# in_group LOG COMMAND...: in a process group of its own, so that workers are stopped with their master.
in_group() {
    local log="$1"
    shift
    setsid "$@" >>"$log" 2>&1 </dev/null &
    GROUPS_STARTED+=($!)
}

# What was begun last by in_group gives way to all else. Linux shares the processors out among groups of one session each first, so nice alone
# counts for nothing between them.
gives_way() {
    local pid="${GROUPS_STARTED[-1]}"
    renice -n 10 -g "$pid" >/dev/null 2>&1
    for _ in 1 2 3 4 5; do
        sleep 0.1
        [ "$(cut -d' ' -f1 "/proc/$pid/autogroup" 2>/dev/null)" != "$(cut -d' ' -f1 /proc/$$/autogroup 2>/dev/null)" ] && echo 15 2>/dev/null >"/proc/$pid/autogroup" && return
    done
    return 0
}

serve() {
    PHP_CLI_SERVER_WORKERS=4 in_group storage/logs/web.log php artisan serve --host=127.0.0.1 --port="$1" --no-reload
    for _ in $(seq 1 150); do
        port_taken "$1" && return 0
        sleep 0.1
    done
    fail "The web server did not start; see storage/logs/web.log."
}

# queue_workers [give-way]: one for what someone waits for, one for what can wait. A worker ends itself after a timed-out job or an hour; the loop starts the next.
queue_workers() {
    in_group storage/logs/queue.log bash -c 'while :; do php artisan queue:work --queue=soon --sleep=0.3 --max-time=3600; sleep 0.2; done'
    [ "${1:-}" = give-way ] && gives_way
    PRISM_WARM_UP=false in_group storage/logs/queue.log bash -c 'while :; do php artisan queue:work --queue=later --sleep=1.5 --max-time=3600; sleep 0.2; done'
    [ "${1:-}" = give-way ] && gives_way
    return 0
}

# Once a minute it looks for what is due (routes/console.php).
scheduler() {
    in_group storage/logs/schedule.log php artisan schedule:work
}

stop_groups() {
    for group in "${GROUPS_STARTED[@]}"; do kill -TERM -- "-$group" 2>/dev/null; done
    for group in "${GROUPS_STARTED[@]}"; do wait "$group" 2>/dev/null; done
    GROUPS_STARTED=()
}
