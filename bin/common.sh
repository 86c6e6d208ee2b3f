# Shared by the scripts beside it: where we are, which Java, is the application built.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

say() { printf '%s\n' "$*"; }
stop() { printf '%s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null 2>&1; then sudo "$@"
  else stop "This needs root to run: $*. Run it yourself, then start this again."
  fi
}

is_25() { [ -x "$1/bin/javac" ] && "$1/bin/javac" -version 2>&1 | grep -qE '^javac (2[5-9]|[3-9][0-9])'; }

# Java 25 or later: JAVA_HOME if it is one, else what lies in the usual places.
find_java() {
  local candidate
  for candidate in "${JAVA_HOME:-}" /usr/lib/jvm/* "$HOME"/.sdkman/candidates/java/* /opt/jdk*; do
    if [ -n "$candidate" ] && is_25 "$candidate"; then
      export JAVA_HOME=$candidate
      # Maven's own libraries use what later Java warns of.
      # It is over before a second compiler has paid for itself.
      export MAVEN_OPTS="--sun-misc-unsafe-memory-access=allow -XX:TieredStopAtLevel=1 ${MAVEN_OPTS:-}"
      return
    fi
  done
  stop "Java 25 is needed and was not found. Install a JDK 25 (for instance Debian's or Temurin's package) or set JAVA_HOME to one."
}

find_maven() {
  command -v mvn >/dev/null 2>&1 && return
  command -v apt-get >/dev/null 2>&1 || stop "Maven 3.8 or later is needed. Install it so that 'mvn' is found."
  say "Installing Maven from Debian's packages."
  as_root apt-get update -qq
  as_root apt-get install -y -qq maven >/dev/null
}

# Chromium without its windows, which takes half the work in a browser's own process; else the whole.
# Sets "chromium".
find_chromium() {
  local name
  for name in chromium-headless-shell chromium; do
    chromium=/usr/bin/$name
    [ -x "$chromium" ] && return
  done
  command -v apt-get >/dev/null 2>&1 || stop "The browser tests need Chromium at /usr/bin/chromium-headless-shell or /usr/bin/chromium. Install it."
  say "Installing Chromium from Debian's packages for the browser tests."
  as_root apt-get update -qq
  for name in chromium-headless-shell chromium; do
    chromium=/usr/bin/$name
    DEBIAN_FRONTEND=noninteractive as_root apt-get install -y -qq "$name" >/dev/null 2>&1 && [ -x "$chromium" ] && return
  done
  stop "Chromium could not be installed from Debian's packages. Install it so that it is at $chromium."
}

jar() { printf '%s/app/target/tertulia.jar' "$root"; }

# Builds the application if it was never built or a source is newer.
build_if_needed() {
  find_java
  if [ -f "$(jar)" ] && [ -z "$(find "$root"/core/src/main "$root"/pagetext/src/main "$root"/app/src/main "$root"/docs/formats "$root"/pom.xml "$root"/*/pom.xml -newer "$(jar)" -print -quit)" ]; then
    return
  fi
  find_maven
  say "Building Tertulia. The first time this fetches libraries and takes a few minutes." >&2
  (cd "$root" && mvn -q -B -Dstyle.color=never -pl app -am -DskipTests -Dspotless.check.skip=true package 1>&2) || stop "The build failed; see above."
}

# Unpacks the application beside its jar and, once for each build, starts it there on the
# demonstration and looks at its pages: Java lays down what it has linked and learnt, and the
# demonstration's store is kept as it begins. Without either, a start takes longer and that is all.
# Sets "start".
lay_out() {
  laid=$root/app/target/laid-out
  if [ ! -f "$laid/tertulia.jar" ] || [ "$(jar)" -nt "$laid/tertulia.jar" ]; then
    rm -rf "$laid"
    "$JAVA_HOME/bin/java" -Djarmode=tools -jar "$(jar)" extract --destination "$laid" >/dev/null
    touch "$laid/tertulia.jar"
  fi
  if [ ! -f "$laid/learnt" ]; then
    say "Learning how to start quickly, once for each build."
    learn || true
    touch "$laid/learnt"
  fi
  start=("$JAVA_HOME/bin/java" -Xlog:aot=off -Xlog:disable -Xlog:all=error:stderr)
  if [ -f "$laid/linked.aot" ]; then
    start+=("-XX:AOTCache=$laid/linked.aot")
  fi
  start+=(-jar "$laid/tertulia.jar")
}

learn() {
  local port=$((20000 + RANDOM % 20000)) store=$laid/first server
  "$JAVA_HOME/bin/java" -Xlog:disable -Xlog:all=error:stderr "-XX:AOTCacheOutput=$laid/linked.aot" -jar "$laid/tertulia.jar" \
    --tertulia.data="$store" --tertulia.demo=true --tertulia.starts-at=2026-11-24T08:55:00Z --server.port="$port" \
    >"$laid/learning.log" 2>&1 &
  server=$!
  trap 'kill "$server" 2>/dev/null' EXIT
  if "$JAVA_HOME/bin/java" "$root/bin/FirstLook.java" "$port" wait; then
    "$JAVA_HOME/bin/java" -XX:TieredStopAtLevel=1 -jar "$laid/tertulia.jar" backup "$store" "$laid/demonstration.zip" >/dev/null || true
    "$JAVA_HOME/bin/java" "$root/bin/FirstLook.java" "$port" || true
  fi
  kill "$server" 2>/dev/null || true
  wait "$server" || true
  trap - EXIT
  rm -rf "$store"
}
