# The project's own PostgreSQL cluster on loopback; never the system's. As root it runs as user postgres.

PG_USER=rescient
PG_DATABASE=rescient

need_postgres() {
  PG_BIN=$(find_postgres)
  if [ -z "$PG_BIN" ]; then
    install_packages postgresql
    PG_BIN=$(find_postgres)
    [ -n "$PG_BIN" ] || fail "PostgreSQL was installed but its programs were not found below /usr/lib/postgresql"
  fi
  if am_root && ! id postgres >/dev/null 2>&1; then
    fail "there is no user postgres to run the database as; reinstall Debian's package postgresql"
  fi
}

# The programs that fit the cluster's version, or the newest.
find_postgres() {
  local version=""
  [ -r "$DATA/postgres-version" ] && version=$(cat "$DATA/postgres-version")
  if [ -n "$version" ] && [ -d "$DATA/postgres" ]; then
    [ -x "/usr/lib/postgresql/$version/bin/initdb" ] && printf '/usr/lib/postgresql/%s/bin' "$version"
    return 0
  fi
  local found
  found=$(find /usr/lib/postgresql -maxdepth 3 -name initdb 2>/dev/null | sort -V | tail -n 1)
  [ -n "$found" ] && dirname "$found" || true
}

as_postgres() {
  if am_root; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

# A folder that the database's user owns and can reach.
database_folder() {
  mkdir -p "$1"
  chmod 755 "$DATA"
  if am_root; then chown postgres: "$1"; fi
  chmod 700 "$1"
}

password() {
  if [ ! -s "$DATA/password" ]; then
    (umask 077 && od -An -N18 -tx1 /dev/urandom | tr -d ' \n' >"$DATA/password")
  fi
  cat "$DATA/password"
}

# init_cluster FOLDER [INITDB OPTIONS]
init_cluster() {
  local folder=$1 secret
  shift
  database_folder "$folder"
  secret=$(mktemp -p /tmp rescient.XXXXXX)
  password >"$secret"
  if am_root; then chown postgres: "$secret"; fi
  as_postgres "$PG_BIN/initdb" -D "$folder" -U "$PG_USER" --pwfile="$secret" --auth=scram-sha-256 \
    --encoding=UTF8 --locale=C.UTF-8 "$@" >"$DATA/initdb.log" 2>&1 || { rm -f "$secret"; tail -n 5 "$DATA/initdb.log" >&2; fail "the database could not be set up in $folder"; }
  rm -f "$secret"
}

# start_cluster FOLDER PORT [SERVER OPTIONS]
start_cluster() {
  local folder=$1 port=$2
  shift 2
  as_postgres "$PG_BIN/pg_ctl" -D "$folder" -l "$folder/server.log" -w -t 60 -s \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $*" start >/dev/null 2>&1 \
    || { as_postgres tail -n 5 "$folder/server.log" >&2; fail "the database did not start; its log is $folder/server.log"; }
}

cluster_runs() { as_postgres "$PG_BIN/pg_ctl" -D "$1" status >/dev/null 2>&1; }

stop_cluster() {
  if cluster_runs "$1"; then as_postgres "$PG_BIN/pg_ctl" -D "$1" -m fast -w -s stop >/dev/null 2>&1 || true; fi
}

sql() {
  PGPASSWORD=$(password) "$PG_BIN/psql" -h 127.0.0.1 -p "$PG_PORT" -U "$PG_USER" -d "${2:-$PG_DATABASE}" -P pager=off -Atqc "$1"
}

# Starts the project's cluster, which it makes if there is none, and sets PG_PORT.
start_database() {
  local folder="$DATA/postgres"
  if [ ! -e "$DATA/postgres-version" ]; then
    say "Setting up a private database in $folder"
    rm -rf "$folder"
    init_cluster "$folder"
    basename "$(dirname "$PG_BIN")" >"$DATA/postgres-version"
  fi
  if cluster_runs "$folder"; then
    PG_PORT=$(cat "$DATA/postgres-port")
  else
    PG_PORT=$(free_port 15432)
    start_cluster "$folder" "$PG_PORT"
    printf '%s' "$PG_PORT" >"$DATA/postgres-port"
  fi
  if [ "$(sql "select 1 from pg_database where datname = '$PG_DATABASE'" postgres)" != 1 ]; then
    sql "create database $PG_DATABASE" postgres
  fi
}

stop_database() { stop_cluster "$DATA/postgres"; }

# A cluster for tests: thrown away afterwards, so nothing of it has to survive a crash.
start_test_cluster() {
  TEST_CLUSTER="$DATA/test-$$"
  PG_PORT=$(free_port 16432)
  init_cluster "$TEST_CLUSTER" --no-sync
  start_cluster "$TEST_CLUSTER" "$PG_PORT" -c fsync=off -c synchronous_commit=off -c full_page_writes=off \
    -c autovacuum=off -c jit=off -c wal_level=minimal -c max_wal_senders=0
  export RESCIENT_TEST_DATABASE="jdbc:postgresql://127.0.0.1:$PG_PORT/postgres"
  export RESCIENT_TEST_USER=$PG_USER RESCIENT_TEST_PASSWORD
  RESCIENT_TEST_PASSWORD=$(password)
}

stop_test_cluster() {
  stop_cluster "$TEST_CLUSTER"
  rm -rf "$TEST_CLUSTER"
}
