# A studio as on a server (nginx, php-fpm, production, all caches), in a folder of its own and on loopback. Sourced, after bin/lib/prism.sh.
# Needs Debian's nginx and php8.2-fpm; installs them if it may. Leaves TRY (the folder), APP, HERE (its address) and PORT.

# Where SERVER_REDIS is 1, what is kept for a while and work that waits are in Redis; where SERVER_NODES is 2, two web servers and two workers of
# each kind, each with a folder of its own, take turns over one database and one folder of pictures, as several machines do.
# Where SERVER_STORE is 1, there is no such folder: what artists made is in a store that speaks S3, and each machine has only what it fetched.
# Where SERVER_REPLICAS is 1, a replica of the database is read from.
# Where SERVER_DISK or SERVER_DATABASE_DISK is a size, the pictures or the database are on a disk of that size; where SERVER_CLOCK is 1, web server and workers go by the clock file.
# Where SERVER_KEEPS is 1, whatever ends is started again.
served() {
    if [ "${SERVER_KEEPS:-0}" = 1 ]; then
        # shellcheck disable=SC2016
        in_group "$TRY/logs/start.log" bash -c 'while :; do "$@"; sleep 0.3; done' kept "$@"
    else
        in_group "$TRY/logs/start.log" "$@"
    fi
}

# server_up [LINE...]: lines of .env in place of those of production
server_up() {
    ensure_packages
    for package in nginx php8.2-fpm $([ "${SERVER_CLOCK:-0}" = 1 ] && echo faketime) $([ "${SERVER_REDIS:-0}" = 1 ] && echo redis-server); do
        dpkg -s "$package" >/dev/null 2>&1 || DEBIAN_FRONTEND=noninteractive apt-get -qq -y install "$package" >/dev/null || fail "Install $package first."
    done
    ensure_folders
    ensure_dependencies "$([ "${SERVER_STORE:-0}" = 1 ] && echo with-bucket)"
    ensure_front_end

    TRY="$(mktemp -d /tmp/knotty-prism-try.XXXXXX)" || fail "There is no room for a folder in /tmp."
    chmod 755 "$TRY"
    trap 'server_down; exit 130' INT TERM
    trap server_down EXIT

    # A copy: its caches and its .env are none of the project's.
    APP="$TRY/app"
    mkdir -p "$APP"
    cp -r app artisan bin bootstrap compat composer.json config core database lang public resources routes standin vendor "$APP"
    mkdir -p "$APP/docs" && cp docs/openapi.json "$APP/docs"
    rm -f "$APP"/bootstrap/cache/*.php
    # As docs/hosting.md has it installed: where each class is, is known.
    (cd "$APP" && composer dump-autoload --optimize --no-scripts --quiet 2>/dev/null) || fail "Composer could not say where the classes are."
    # Some packages come with files that only their owner may read.
    chmod -R a+rX "$APP"
    mkdir -p "$APP"/storage/{app,logs,framework/{cache/data,sessions,views}} "$TRY"/{logs,run}

    [ -n "${SERVER_DISK:-}" ] && { mount -t tmpfs -o "size=$SERVER_DISK" knotty-prism "$APP/storage/app" || fail "Only root may mount a small disk."; }

    PORT="$(free_port 8090)"
    DB_PORT="$(free_port 33071)"
    SECRET="$(random_text)"
    mkdir -p "$TRY/mariadb"
    [ -n "${SERVER_DATABASE_DISK:-}" ] && { mount -t tmpfs -o "size=$SERVER_DATABASE_DISK" knotty-prism "$TRY/mariadb" || fail "Only root may mount a small disk."; }
    [ "${SERVER_REPLICAS:-0}" = 1 ] && PRISM_DB_OPTIONS="--server-id=1 --log-bin=binlog"
    start_database "$TRY/mariadb" "$DB_PORT"
    create_database prism prism "$SECRET"
    sed -e "s|@HOST@|127.0.0.1|" -e "s|^APP_KEY=.*|APP_KEY=base64:$(head -c 32 /dev/urandom | base64)|" -e "s|@SECRET@|$SECRET|" -e "s|^DB_PORT=.*|DB_PORT=$DB_PORT|" \
        -e "s|^APP_URL=.*|APP_URL=https://127.0.0.1:$PORT|" -e "s|^MAIL_MAILER=.*|MAIL_MAILER=log|" hosting/env.production >"$APP/.env"
    local line redis=()
    if [ "${SERVER_REDIS:-0}" = 1 ]; then
        REDIS_PORT="$(free_port 6390)"
        export REDIS_PORT
        served redis-server --port "$REDIS_PORT" --bind 127.0.0.1 --save '' --appendonly yes --appendfsync always --dir "$TRY/run" --daemonize no
        redis=(CACHE_STORE=redis QUEUE_CONNECTION=redis REDIS_CLIENT=predis "REDIS_PORT=$REDIS_PORT")
    fi
    local store=()
    if [ "${SERVER_STORE:-0}" = 1 ]; then
        STORE_PORT="$(free_port 4590)"
        mkdir -p "$TRY/bucket"
        served node hosting/bucket/start.cjs "$STORE_PORT" "$TRY/bucket"
        store=(PRISM_STORE=bucket PRISM_BUCKET=prism PRISM_BUCKET_KEY=S3RVER PRISM_BUCKET_SECRET=S3RVER PRISM_BUCKET_IN_PATH=true "PRISM_BUCKET_ENDPOINT=http://127.0.0.1:$STORE_PORT")
    fi
    local replicas=()
    [ "${SERVER_REPLICAS:-0}" = 1 ] && replica && replicas=(DB_READ_HOSTS=127.0.0.2 PRISM_REPLICA_SECONDS=2)
    for line in "${redis[@]}" "${store[@]}" "${replicas[@]}" "$@"; do sed -i -e "/^${line%%=*}=/d" "$APP/.env" && echo "$line" >>"$APP/.env"; done
    openssl req -x509 -newkey rsa:2048 -nodes -days 1 -subj /CN=127.0.0.1 -keyout "$TRY/privkey.pem" -out "$TRY/fullchain.pem" 2>/dev/null
    fill() {
        sed -e "s|@ROOT@|$APP|g" -e "s|@LOGS@|$TRY/logs|g" -e "s|@SOCKET@|$TRY/run/php.sock|g" -e "s|@LISTEN@|127.0.0.1:$PORT|g" -e "s|@HOST@|127.0.0.1|g" -e "s|@CERT@|$TRY|g" -e "s|@CHILDREN@|8|g" \
            -e "s|@USER@|user = www-data\ngroup = www-data\nlisten.owner = www-data|g" "hosting/$1"
    }
    fill fpm.conf >"$TRY/fpm.conf"
    {
        echo "worker_processes 2; pid $TRY/run/nginx.pid; user www-data; error_log $TRY/logs/nginx.log; events { worker_connections 512; } http { include /etc/nginx/mime.types;"
        echo "client_body_temp_path $TRY/run/body; fastcgi_temp_path $TRY/run/fastcgi; proxy_temp_path $TRY/run/proxy; scgi_temp_path $TRY/run/scgi; uwsgi_temp_path $TRY/run/uwsgi;"
        fill nginx.conf
        echo "}"
    } >"$TRY/nginx.conf"

    (
        cd "$APP" || exit 1
        php artisan migrate --force --quiet && php artisan db:seed --force --quiet && php artisan config:cache --quiet && php artisan route:cache --quiet && php artisan view:cache --quiet
    ) || fail "The studio could not be set up; see above."
    chown -R www-data: "$APP/storage" "$TRY/run" "$TRY/logs"
    export PHP_INI_SCAN_DIR=":$APP/bin/php"
    local clock=()
    if [ "${SERVER_CLOCK:-0}" = 1 ]; then
        export CLOCK="$TRY/run/clock"
        echo +0 >"$CLOCK"
        # Its children have no environment but what is named.
        printf 'env[%s] = %s\n' FAKETIME_TIMESTAMP_FILE "$CLOCK" FAKETIME_NO_CACHE 1 FAKETIME_DONT_FAKE_MONOTONIC 1 >>"$TRY/fpm.conf"
        clock=(env "LD_PRELOAD=$(ls /usr/lib/*/faketime/libfaketime.so.1)" "FAKETIME_TIMESTAMP_FILE=$CLOCK" FAKETIME_NO_CACHE=1 FAKETIME_DONT_FAKE_MONOTONIC=1)
    fi
    served "${clock[@]}" /usr/sbin/php-fpm8.2 --nodaemonize --fpm-config "$TRY/fpm.conf"
    [ "${SERVER_NODES:-1}" = 2 ] && second_node
    served nginx -c "$TRY/nginx.conf" -g 'daemon off;'
    local queue
    for queue in soon later; do
        served "${clock[@]}" runuser -u www-data -- php "$APP/artisan" queue:work --queue="$queue" --sleep=0.3
        gives_way
    done
    for _ in $(seq 1 100); do
        [ -S "$TRY/run/php.sock" ] && port_taken "$PORT" && break
        sleep 0.1
    done
    HERE="https://127.0.0.1:$PORT"
}

# A second database that follows the first, on an address of its own.
replica() {
    local data="$TRY/replica" as=()
    REPLICA_SOCKET="$data/db.sock"
    mkdir -p "$data"
    [ "$(id -u)" = 0 ] && chown mysql: "$data" && as=(--user=mysql)
    mariadb-install-db --no-defaults "${as[@]}" --datadir="$data" --auth-root-authentication-method=normal --skip-test-db >"$TRY/logs/replica.log" 2>&1 || fail "The replica could not be set up."
    served /usr/sbin/mariadbd --no-defaults "${as[@]}" --datadir="$data" --socket="$REPLICA_SOCKET" --port="$DB_PORT" --bind-address=127.0.0.2 --server-id=2 --read-only \
        --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --skip-name-resolve
    for _ in $(seq 1 150); do
        mariadb-admin --no-defaults -uroot --socket="$REPLICA_SOCKET" ping >/dev/null 2>&1 && break
        sleep 0.1
    done
    mariadb --no-defaults -uroot --socket="$DB_SOCKET" -e "CREATE USER replica@127.0.0.1 IDENTIFIED BY '$SECRET'; GRANT REPLICATION SLAVE ON *.* TO replica@127.0.0.1"
    mariadb --no-defaults -uroot --socket="$REPLICA_SOCKET" \
        -e "CHANGE MASTER TO MASTER_HOST='127.0.0.1', MASTER_PORT=$DB_PORT, MASTER_USER='replica', MASTER_PASSWORD='$SECRET', MASTER_USE_GTID=slave_pos; START SLAVE" || fail "The replica does not follow."
}

# Another machine: a folder of its own with its own caches and logs; only the folder of pictures is mounted from the first, where there is no store.
second_node() {
    APP2="$TRY/app2"
    mkdir -p "$APP2"
    (cd "$APP" && cp -r app artisan bin bootstrap compat composer.json config core database docs lang public resources routes standin vendor "$APP2")
    rm -f "$APP2"/bootstrap/cache/*.php
    mkdir -p "$APP2"/storage/{app,logs,framework/{cache/data,sessions,views}}
    { grep -v '^PRISM_STORAGE=' "$APP/.env"; [ "${SERVER_STORE:-0}" = 1 ] || echo "PRISM_STORAGE=$APP/storage/app"; } >"$APP2/.env"
    chmod 600 "$APP2/.env"
    chmod -R a+rX "$APP2/app" "$APP2/vendor"
    (cd "$APP2" && php artisan config:cache --quiet && php artisan route:cache --quiet && php artisan view:cache --quiet) || fail "The second web server could not be set up; see above."
    chown -R www-data: "$APP2/storage" "$APP2/.env"
    sed -e "s|$APP|$APP2|g" -e "s|$TRY/run/php.sock|$TRY/run/php2.sock|g" -e "s|$TRY/run/fpm.pid|$TRY/run/fpm2.pid|g" "$TRY/fpm.conf" >"$TRY/fpm2.conf"
    served /usr/sbin/php-fpm8.2 --nodaemonize --fpm-config "$TRY/fpm2.conf"
    local port
    port="$(free_port $((PORT + 1)))"
    sed -e "s|$APP|$APP2|g" -e "s|$TRY/run/php.sock|$TRY/run/php2.sock|g" -e "s|$TRY/run/nginx.pid|$TRY/run/nginx2.pid|g" -e "s|127.0.0.1:$PORT|127.0.0.1:$port|g" -e "s|$TRY/logs/access.log|$TRY/logs/access2.log|" "$TRY/nginx.conf" >"$TRY/nginx2.conf"
    served nginx -c "$TRY/nginx2.conf" -g 'daemon off;'
    HERE2="https://127.0.0.1:$port"
    local queue
    for queue in soon later; do
        served runuser -u www-data -- php "$APP2/artisan" queue:work --queue="$queue" --sleep=0.3
        gives_way
    done
}

server_down() {
    trap - INT TERM EXIT
    stop_groups
    stop_database
    # What was killed and started again may be in no group of ours any more; the folder it works in is.
    local n
    for n in $(seq 1 100); do
        pkill "-$([ "$n" -gt 80 ] && echo KILL || echo TERM)" -f "$TRY/" || break
        sleep 0.1
    done
    [ -n "${SERVER_DISK:-}" ] && umount "$APP/storage/app"
    [ -n "${SERVER_DATABASE_DISK:-}" ] && umount "$TRY/mariadb"
    rm -rf "$TRY"
}
