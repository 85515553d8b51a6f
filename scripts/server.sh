# Starting, stopping and resetting the application.

JAR_NAME=app/rescient-server-0.1.0-app.jar

# The running server's process, if there is one of ours.
server_pid() {
  local pid
  [ -s "$DATA/server.pid" ] || return 1
  pid=$(cat "$DATA/server.pid")
  [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF "$ROOT/server/target/$JAR_NAME" || return 1
  printf '%s' "$pid"
}

start_all() {
  local port="" today="" empty=""
  while [ $# -gt 0 ]; do
    case "$1" in
      --port) port=${2:-}; [[ "$port" =~ ^[0-9]+$ ]] || fail "--port wants a number"; shift 2 ;;
      --today) today=${2:-}; [[ "$today" =~ ^[0-9]{4}-[0-9]{2}-[0-9]{2}$ ]] || fail "--today wants a date such as 2026-11-23"; shift 2 ;;
      --empty) empty=yes; shift ;;
      *) fail "\"$1\" is not an option of start" ;;
    esac
  done
  local running
  if running=$(server_pid); then
    fail "Rescient is running already (process $running) at http://127.0.0.1:$(cat "$DATA/server.port"); end it with ./rescient stop"
  fi
  if [ -n "$port" ] && { [ "$port" -lt 1 ] || [ "$port" -gt 65535 ]; }; then
    fail "--port wants a number from 1 to 65535"
  fi
  if [ -n "$port" ] && [ "$port" -lt 1024 ] && ! am_root; then
    fail "port $port is for root only; choose one from 1024 on"
  fi
  if [ -n "$port" ] && port_in_use "$port"; then
    fail "port $port is in use by another program; choose another with --port"
  fi
  need_tools
  need_space
  need_postgres
  build server
  trap 'end_all' EXIT
  trap 'exit 130' INT TERM
  start_database
  refuse_mixed_data "$empty"
  port=${port:-$(free_port 8420)}
  run_server "$port" "$today" "$empty"
}

# The demo company and a company of one's own never share a database.
refuse_mixed_data() {
  local holds
  [ -n "$1" ] || return 0
  holds=$(sql "select 'demo' from company where demo" 2>/dev/null || true)
  [ "$holds" != demo ] || fail "the database holds the demo company; ./rescient reset --empty takes it away"
}

schema_version() {
  sql "select version from flyway_schema_history where success order by installed_rank desc limit 1" 2>/dev/null || true
}

# What nobody waits for (see GivingWay) gives way to requests; a machine that does not allow it says so and goes on.
PRIORITIES=(-XX:ThreadPriorityPolicy=1 -XX:JavaPriority1_To_OSPriority=10)

# A company of 100,000 stock points fits; see docs/performance.md.
HEAP=${RESCIENT_HEAP:-3g}

run_server() {
  local port=$1 today=$2 empty=$3 demo="$ROOT/demo/dataset" before pid
  [ -z "$empty" ] && [ ! -e "$DATA/empty" ] || demo=""
  [ -z "$empty" ] || touch "$DATA/empty"
  before=$(schema_version)
  : >"$DATA/server.log"
  # memory that runs out ends the server, which is said, instead of letting it go on half alive
  SPRING_DATASOURCE_PASSWORD=$(password) java "-Xmx$HEAP" "${PRIORITIES[@]}" -XX:+ExitOnOutOfMemoryError -jar "$ROOT/server/target/$JAR_NAME" \
    --server.port="$port" --rescient.demo="$demo" --rescient.today="$today" \
    --spring.datasource.url="jdbc:postgresql://127.0.0.1:$PG_PORT/$PG_DATABASE" --spring.datasource.username="$PG_USER" \
    >>"$DATA/server.log" 2>&1 &
  pid=$!
  printf '%s' "$pid" >"$DATA/server.pid"
  printf '%s' "$port" >"$DATA/server.port"
  local short=""
  until grep -q "Rescient is ready" "$DATA/server.log"; do
    if [ -z "$short" ]; then short=$(memory_is_short); say_if "$short"; fi
    kill -0 "$pid" 2>/dev/null || explain_failure "$port"
    sleep 0.1
  done
  local after
  after=$(schema_version)
  if [ -n "$before" ] && [ "$before" != "$after" ]; then say "The database was brought from schema $before to $after."; fi
  say ""
  say "Rescient is ready at http://127.0.0.1:$port"
  if [ -z "$short" ]; then say_if "$(memory_is_short)"; fi
  if [ -n "$(sql "select 1 from users where demo limit 1")" ]; then
    say "Demo sign-ins, all with the password clover:"
    sql "select '  ' || rpad(login, 8) || lower(role) || ', ' || name from users where demo order by id"
  else
    grep -h "Sign in as" "$DATA/server.log" | sed 's/.*: Sign in/Sign in/' || true
  fi
  say "Ctrl-C ends it."
  local code=0
  wait "$pid" || code=$?
  # ended from elsewhere by ./rescient stop it leaves with the code of a request to end
  if [ "$code" -ne 0 ] && [ "$code" -ne 143 ]; then
    explain_memory
    tail -n 3 "$DATA/server.log" >&2
    fail "the server has died (code $code); its log is $DATA/server.log"
  fi
}

memory_is_short() {
  grep -h "Memory is short" "$DATA/server.log" 2>/dev/null | tail -n 1 | sed 's/.*: Memory is short/Memory is short/' || true
}

say_if() { if [ -n "$1" ]; then say "$1"; fi; }

explain_memory() {
  if grep -q "OutOfMemoryError" "$DATA/server.log"; then
    fail "the company needs more memory than $HEAP; start with more, as in RESCIENT_HEAP=6g ./rescient start"
  fi
}

explain_failure() {
  local log="$DATA/server.log"
  explain_memory
  if grep -q "written by a newer Rescient" "$log"; then
    fail "the database was written by a newer Rescient; use that version, or ./rescient reset"
  elif grep -q "Port .* was already in use\|Address already in use" "$log"; then
    fail "port $1 is in use by another program; choose another with --port"
  elif grep -q "No space left on device" "$log"; then
    fail "the disk is full; make room and start again"
  fi
  tail -n 20 "$log" >&2
  fail "the server did not start; its log is $log"
}

end_server() {
  local pid
  pid=$(server_pid) || return 0
  kill "$pid" 2>/dev/null || true
  for _ in $(seq 150); do
    kill -0 "$pid" 2>/dev/null || break
    sleep 0.1
  done
  if kill -0 "$pid" 2>/dev/null; then kill -9 "$pid" 2>/dev/null || true; fi
}

end_all() {
  end_server
  stop_database
  rm -f "$DATA/server.pid" "$DATA/server.port"
}

stop_all() {
  need_postgres
  if ! server_pid >/dev/null && { [ ! -d "$DATA/postgres" ] || ! cluster_runs "$DATA/postgres"; }; then
    say "Rescient is not running."
    return
  fi
  end_all
  say "Rescient has stopped."
}

reset_data() {
  local empty="" yes=""
  while [ $# -gt 0 ]; do
    case "$1" in
      --empty) empty=yes ;;
      --yes) yes=yes ;;
      *) fail "\"$1\" is not an option of reset" ;;
    esac
    shift
  done
  ! server_pid >/dev/null || fail "Rescient is running; end it with ./rescient stop first"
  need_postgres
  mkdir -p "$DATA"
  start_database
  trap stop_database EXIT
  if [ -z "$yes" ] && [ "$(sql "select 1 from company where loaded and not demo" 2>/dev/null || true)" = 1 ]; then
    [ -t 0 ] || fail "the database holds a company of your own; ./rescient reset --yes deletes it"
    read -r -p "The database holds a company of your own. Type delete to go on: " answer
    [ "$answer" = delete ] || fail "nothing was changed"
  fi
  sql "drop database $PG_DATABASE" postgres
  rm -f "$DATA/empty"
  if [ -n "$empty" ]; then touch "$DATA/empty"; say "The next start begins with an empty company."; else say "The next start loads fresh demo data."; fi
}
