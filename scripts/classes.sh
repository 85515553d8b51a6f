# Runs one class of the end-to-end module that is no test: run_class NAME [MAVEN ARGUMENTS].
run_class() {
  local name=$1
  shift
  need_tools
  need_postgres
  need_chromium
  start_test_cluster
  trap stop_test_cluster EXIT
  cd "$ROOT"
  mvn -B -q --no-transfer-progress test -pl e2e -am "-Dtest=$name" "$@" -Dsurefire.failIfNoSpecifiedTests=false -DtrimStackTrace=false \
    -Drescient.screenshots="$ROOT/docs/screenshots"
}
