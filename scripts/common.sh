# What every command needs: messages, tools, space, and the build.

say() { printf '%s\n' "$*"; }

fail() {
  printf 'rescient: %s.\n' "$*" >&2
  exit 1
}

am_root() { [ "$(id -u)" -eq 0 ]; }

# The data of this checkout. Not inside it: PostgreSQL refuses to run as root, and its own user must reach the folder.
data_home() {
  local id
  id=$(printf '%s' "$ROOT" | sha256sum | cut -c1-10)
  if [ -n "${RESCIENT_HOME:-}" ]; then
    printf '%s' "$RESCIENT_HOME"
  elif am_root; then
    printf '/var/lib/rescient/%s' "$id"
  else
    printf '%s/rescient/%s' "${XDG_DATA_HOME:-$HOME/.local/share}" "$id"
  fi
}
DATA=$(data_home)

need_tools() {
  local tool
  for tool in java mvn node npm sha256sum; do
    command -v "$tool" >/dev/null || fail "$tool is missing; Rescient needs a JDK 17, Maven and Node 20"
  done
  local node
  node=$(node --version)
  [[ "$node" =~ ^v([0-9]+) ]] && [ "${BASH_REMATCH[1]}" -ge 20 ] || fail "Node 20 or later is needed; this is $node"
  javac -version 2>&1 | grep -qE ' (1[7-9]|[2-9][0-9])' || fail "a JDK 17 or later is needed (javac was not found or is older)"
}

# Installs Debian packages, or says how.
install_packages() {
  if ! am_root; then
    fail "missing: $*; install them with: sudo apt-get install --no-install-recommends $*"
  fi
  command -v apt-get >/dev/null || fail "missing: $*; this system has no apt-get to install them with"
  say "Installing from Debian's packages: $*"
  apt-get update -qq >/dev/null
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null \
    || fail "Debian's packages $* could not be installed"
}

need_chromium() {
  command -v chromium-headless-shell >/dev/null || install_packages chromium-headless-shell fonts-liberation
}

# At least 300 MB where the data lies and where it is built.
need_space() {
  local folder free
  mkdir -p "$DATA" || fail "the data folder $DATA cannot be made"
  for folder in "$DATA" "$ROOT"; do
    free=$(df -Pm "$folder" | awk 'NR == 2 { print $4 }')
    [ "$free" -ge 300 ] || fail "the disk is full: $folder has $free MB left and 300 MB are needed"
  done
}

port_in_use() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local port=$1
  while port_in_use "$port"; do port=$((port + 1)); done
  printf '%s' "$port"
}

# Builds a module and what it needs, if any source is newer than the last build.
build() {
  local module=$1 mark="$ROOT/$1/target/built" newer=""
  if [ -e "$mark" ]; then
    newer=$(find "$ROOT/pom.xml" "$ROOT"/{core,dataset,demo,web,server,bench}/pom.xml "$ROOT"/{core,dataset,demo,server,bench}/src \
      "$ROOT"/web/{src,static,openapi.json,package.json,package-lock.json,svelte.config.js,vite.config.ts,first-place.ts} \
      -newer "$mark" -type f -not -name schema.d.ts -print -quit 2>/dev/null || true)
    [ -z "$newer" ] && return
  fi
  say "Building (the first time takes a few minutes) ..."
  mkdir -p "$DATA"
  if ! (cd "$ROOT" && mvn -B -q --no-transfer-progress package -DskipTests -Dspotless.check.skip -pl "$module" -am) >"$DATA/build.log" 2>&1; then
    tail -n 30 "$DATA/build.log" >&2
    fail "the build failed; all of it stands in $DATA/build.log"
  fi
  touch "$mark"
}
