# Runs classes of the end-to-end module that are no tests, one after the other: run_class NAMES [MAVEN ARGUMENTS].
run_class() {
  local name=$1
  shift
  need_tools
  need_postgres
  need_chromium
  start_test_cluster
  trap stop_test_cluster EXIT
  cd "$ROOT"
  mvn -B -q --no-transfer-progress test -pl e2e -am -Dcheck.skip=true "-Dtest=$name" "$@" -Dsurefire.failIfNoSpecifiedTests=false -DtrimStackTrace=false -De2e.forks=1 \
    -Drescient.screenshots="$ROOT/docs/screenshots"
}
