# Bringing a company in and out as a dataset; whether the application runs does not matter.

# exchange_options COMMAND WORDS: sets DATASET, TODAY and YES.
exchange_options() {
  local command=$1
  shift
  DATASET="" TODAY="" YES=""
  while [ $# -gt 0 ]; do
    case "$1" in
      --yes) YES=yes; shift ;;
      --today) TODAY=${2:-}; [[ "$TODAY" =~ ^[0-9]{4}-[0-9]{2}-[0-9]{2}$ ]] || fail "--today wants a date such as 2026-11-23"; shift 2 ;;
      --*) fail "\"$1\" is not an option of $command" ;;
      *) [ -z "$DATASET" ] || fail "$command takes one dataset"; DATASET=$(realpath -m "$1"); shift ;;
    esac
  done
  [ -n "$DATASET" ] || fail "say which: ./rescient $command DATASET"
}

# Runs the exchange as a process of its own on the application's database.
exchange() {
  local command=$1 log="$DATA/exchange.log" code=0
  SPRING_DATASOURCE_PASSWORD=$(password) java -Xmx4g -jar "$ROOT/server/target/$JAR_NAME" --server.port=0 \
    --rescient.exchange="$command" --rescient.exchange-path="$DATASET" --rescient.today="$TODAY" --rescient.demo="" \
    --logging.file.name="$log" --logging.threshold.console=off --spring.main.banner-mode=off \
    --spring.datasource.url="jdbc:postgresql://127.0.0.1:$PG_PORT/$PG_DATABASE" --spring.datasource.username="$PG_USER" \
    || code=$?
  return $code
}

prepare_exchange() {
  need_tools
  need_space
  need_postgres
  build server
  # a database that was started only for this is stopped again
  if ! { [ -d "$DATA/postgres" ] && cluster_runs "$DATA/postgres"; }; then trap stop_database EXIT; fi
  start_database
}

load_company() {
  exchange_options load "$@"
  [ -e "$DATASET" ] || fail "there is no $DATASET"
  prepare_exchange
  local holds
  holds=$(sql "select name from company where loaded" 2>/dev/null || true)
  if [ -n "$holds" ] && [ -z "$YES" ]; then
    [ -t 0 ] || fail "the application holds $holds; ./rescient load --yes replaces it"
    read -r -p "This replaces $holds with all its orders. Type replace to go on: " answer
    [ "$answer" = replace ] || fail "nothing was changed"
  fi
  exchange load || return
  touch "$DATA/empty"
}

dump_company() {
  exchange_options dump "$@"
  prepare_exchange
  exchange dump
}

# Exit 0: stock, its movements and its value agree; 2: they do not, and where.
verify_company() {
  [ $# -eq 0 ] || fail "verify takes nothing"
  DATASET="" TODAY=""
  prepare_exchange
  exchange verify
}
