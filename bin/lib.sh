# What bin/restis is made of; sourced by it, with $root as the working directory.

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }

# For what was typed wrong: says what, and where to read on.
refuse() { say "$*"; say "bin/restis help lists what there is."; exit 2; }

nothing_after() { [ $# -le 1 ] || refuse "'$2' means nothing after $1."; }

# --- what the machine must have -------------------------------------------------------------------------------------

may_install() { [ -z "${RESTIS_NO_INSTALL:-}" ] && command -v apt-get >/dev/null && { [ "$(id -u)" = 0 ] || sudo -n true 2>/dev/null; }; }

as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi; }

# install PACKAGE WHAT-FOR: from Debian's packages, or a message that names it.
install() {
  may_install || die "$2 is missing. Install the package '$1' (apt-get install $1) and try again."
  say "Installing $1 ..."
  if [ -z "${apt_updated:-}" ]; then
    as_root apt-get update -qq >/dev/null || say "The package lists could not be refreshed; trying with what is there."
    apt_updated=1
  fi
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" >/dev/null \
    || die "The package '$1' could not be installed. Install it by hand and try again."
}

java_major() { java -version 2>&1 | sed -n 's/.*version "\([0-9]*\).*/\1/p' | head -n 1; }

need_java() {
  if ! command -v javac >/dev/null || [ "$(java_major)" -lt 17 ]; then install openjdk-17-jdk-headless "A Java 17 development kit"; fi
  command -v mvn >/dev/null || install maven "Maven"
}

# Debian starts a server of its own with the package; Restis uses only the programs, and leaves that server alone.
need_postgres() {
  ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || install postgresql "PostgreSQL"
  if [ "$(id -u)" = 0 ]; then command -v runuser >/dev/null || install util-linux "runuser"; fi
}

# Chromium without its own windows: a third less work for the same pages.
need_chromium() { command -v chromium-headless-shell >/dev/null || install chromium-headless-shell "Chromium (for the browser tests)"; }

node_fits() { command -v node >/dev/null && command -v npm >/dev/null && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>22||(a===22&&b>=12)||(a===20&&b>=19)?0:1)'; }

# Vite wants Node 20.19 or newer; where there is none, the registry's own package of it goes into .tools/.
need_node() {
  export PATH="$root/.tools/node_modules/.bin:$PATH"
  node_fits && return
  command -v npm >/dev/null || install npm "npm"
  say "Fetching Node 22 into .tools/ ..."
  mkdir -p .tools
  # npm itself comes along, because an old one would not read the lock files.
  npm install --no-audit --no-fund --no-save --prefix .tools node@22 npm@11 > .tools/log 2>&1 \
    || { tail -n 5 .tools/log >&2; die "Node 22 could not be fetched from the npm registry, for the reason above. Install Node 20.19 or newer and try again."; }
  hash -r
  node_fits || die "Node 20.19 or newer is needed. Install it and try again."
}

need_all() { need_java; need_node; need_postgres; need_chromium; }

# --- building -------------------------------------------------------------------------------------------------------

sources_hash() {
  {
    find pom.xml .mvn core app web bench standins demo docs/openapi.json -type f \
      -not -path '*/target/*' -not -path '*/node_modules/*' -not -path 'web/dist/*' -not -name schema.d.ts -print0 \
      | sort -z | xargs -0 sha256sum
    java -version 2>&1
  } | sha256sum | cut -d' ' -f1
}

build_if_changed() {
  local hash stamp=.restis/built
  hash=$(sources_hash)
  if [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$hash" ] && [ -f app/target/app-0.1.0-exec.jar ] && [ -d app/target/app ]; then return; fi
  say "Building Restis (the first time takes a few minutes) ..."
  mvn -q -B package -DskipTests -Dspotless.check.skip -pl core,web,app,bench,standins >&2 || die "The build failed; its last lines are above."
  unpack
  mkdir -p .restis
  echo "$hash" > "$stamp"
}

# Unpacked, and with an archive of the classes that a rehearsal loaded, Restis starts in half the time. The rehearsal is
# a whole start on a throw-away database.
unpack() {
  local rehearsal
  rm -rf app/target/app
  java -Djarmode=tools -jar app/target/app-0.1.0-exec.jar extract --destination app/target/app >/dev/null
  rehearsal=$(mktemp -d)
  chmod 755 "$rehearsal"
  java -XX:ArchiveClassesAtExit=app/target/app/classes.jsa "${java_options[@]}" -Drestis.home="$rehearsal" -Drestis.rehearsal=true \
    -cp app/target/app/app-0.1.0-exec.jar dev.restis.app.RestisApplication > "$rehearsal/log" 2>&1 \
    || say "The rehearsal failed, so Restis will start more slowly: $(tail -n 1 "$rehearsal/log")"
  rm -rf "$rehearsal"
}

# The first compiler tier only: it halves the start and is fast enough for a workshop's load.
java_options=(-XX:+UseSerialGC -XX:TieredStopAtLevel=1 -Xshare:auto)

# --- running --------------------------------------------------------------------------------------------------------

home_of() {
  if [ -n "${RESTIS_HOME:-}" ]; then echo "$RESTIS_HOME/$1"
  elif [ "$(id -u)" = 0 ]; then echo "/var/lib/restis/$1"
  else echo "${XDG_DATA_HOME:-$HOME/.local/share}/restis/$1"; fi
}

# A pid alone may have been given to another program since; the command line must name this home as well.
pid_in() {
  local pid
  pid=$(cat "$1/pid" 2>/dev/null) || return 1
  tr '\0' ' ' < "/proc/$pid/cmdline" 2>/dev/null | grep -qF -- "-Drestis.home=$1 " && echo "$pid"
}

# The last five logs stay, the newest as "log".
turn_logs() {
  local n
  for n in 4 3 2 1; do [ ! -f "$1/log.$n" ] || mv "$1/log.$n" "$1/log.$((n + 1))"; done
  [ ! -f "$1/log" ] || mv "$1/log" "$1/log.1"
  rm -f "$1/log.5"
}

run_workshop() {
  local kind=$1 home pid fresh=false
  shift
  while [ $# -gt 0 ]; do
    case "$1" in
      --fresh)
        [ "$kind" = demo ] || refuse "--fresh is for the demo only: a workshop's data is never deleted by a start."
        [ -z "${RESTIS_DATABASE:-}" ] || refuse "--fresh is for the demo's own database only; RESTIS_DATABASE names another."
        fresh=true ;;
      *) refuse "'$1' means nothing after $([ "$kind" = demo ] && echo demo || echo start)." ;;
    esac
    shift
  done
  home=$(home_of "$kind")
  if pid=$(pid_in "$home"); then
    [ "$fresh" = false ] || die "The demo is running. Stop it first: bin/restis stop"
    say "Restis is running already, at $(cat "$home/address" 2>/dev/null || echo 'an address it will print in a moment')."
    return 0
  fi
  need_java; need_node; need_postgres
  build_if_changed
  mkdir -p "$home"
  rm -f "$home/address"
  turn_logs "$home"
  java -XX:SharedArchiveFile=app/target/app/classes.jsa "${java_options[@]}" -Xlog:cds=off -Xlog:cds+dynamic=off \
    -Drestis.home="$home" -Drestis.port="${RESTIS_PORT:-8420}" -Drestis.demo="$([ "$kind" = demo ] && echo true || echo false)" \
    -Drestis.fresh="$fresh" \
    -cp app/target/app/app-0.1.0-exec.jar dev.restis.app.RestisApplication > "$home/log" 2>&1 &
  pid=$!
  echo "$pid" > "$home/pid"
  trap 'kill -TERM '"$pid"' 2>/dev/null || true' INT TERM
  local waited=0
  until [ -f "$home/address" ]; do
    kill -0 "$pid" 2>/dev/null || { rm -f "$home/pid"; tail -n 12 "$home/log" >&2; die "Restis did not start; the whole log is $home/log"; }
    sleep 0.2
    waited=$((waited + 1))
    # An update makes a backup first, and a large one takes its time.
    [ "$waited" -lt 9000 ] || { kill "$pid"; die "Restis did not answer within half an hour; see $home/log"; }
  done
  grep '^Port \|The backup is' "$home/log" >&2 || true
  say ""
  say "Restis is at $(cat "$home/address")"
  if [ "$kind" = demo ]; then say "Sign in as Tove (owner) or Bram (maker), password harbour-lantern."
  else say "On the first visit you name the workshop and make yourself its owner."; fi
  say "Stop it with Ctrl-C here, or with bin/restis stop."
  wait "$pid" || true
  # The first wait ends with the signal; this one with the process.
  wait "$pid" 2>/dev/null || true
  rm -f "$home/pid" "$home/address"
  say "Restis has stopped."
}

run_command() { java "${java_options[@]}" -cp "app/target/app/app-0.1.0-exec.jar" "dev.restis.app.$1" "${@:2}"; }

# has_data HOME: whether there is a workshop to read, here or where RESTIS_DATABASE says.
has_data() { [ -n "${RESTIS_DATABASE:-}" ] || [ -d "$1/postgres" ]; }

# backup [--demo] [FILE]
back_up() {
  local kind=workshop home
  if [ "${1:-}" = --demo ]; then kind=demo; shift; fi
  case "${1:-}" in -*) refuse "'$1' means nothing after backup." ;; esac
  [ $# -le 1 ] || refuse "backup takes one file, not $#."
  home=$(home_of "$kind")
  has_data "$home" || die "There is no $kind in $home to back up."
  need_java; need_node; need_postgres; build_if_changed
  run_command BackupCommand "$home" "$@"
}

# restore [--beside] FILE: into an empty home, or into a new one beside it.
restore_from() {
  local home beside=
  if [ "${1:-}" = --beside ]; then beside=1; shift; fi
  [ $# = 1 ] || refuse "restore takes one file: bin/restis restore [--beside] FILE"
  [ -f "$1" ] || die "There is no file $1."
  home=$(home_of workshop)
  if [ -n "$beside" ]; then
    [ -z "${RESTIS_DATABASE:-}" ] || refuse "With RESTIS_DATABASE, name an empty database to restore into; --beside is for Restis's own."
    home=$(dirname "$home")/restored-$(date +%Y%m%d-%H%M%S)/workshop
  elif [ -z "${RESTIS_DATABASE:-}" ] && [ -d "$home/postgres" ]; then
    die "There is a workshop in $home already, and it is left alone. Restore beside it: bin/restis restore --beside $1"
  fi
  need_java; need_node; need_postgres; build_if_changed
  run_command RestoreCommand "$home" "$1" || die "Nothing was restored."
  [ -z "$beside" ] || say "It lies beside the old one. Start it with: RESTIS_HOME=$(dirname "$home") bin/restis start"
}

# The demo's shop, or another with its key, delivers a day's orders and ends.
deliver_from_shop() {
  local home orders=${1:-20} seed=${2:-$(date +%s)}
  home=$(home_of demo)
  [ -f "$home/address" ] || home=$(home_of workshop)
  [ -f "$home/address" ] || die "Nothing is running. Start it first: bin/restis demo"
  java -cp standins/target/standins-0.1.0.jar dev.restis.standins.ShopFeed \
    "$(cat "$home/address")" "${RESTIS_SHOP_KEY:-harbour-kiosk-key}" "$orders" "$seed" "HK-$seed-"
}

verify_all() {
  local kind home any='' code=0
  for kind in demo workshop; do
    home=$(home_of "$kind")
    has_data "$home" || continue
    any=1
    echo "The $kind, $home:"
    run_command VerifyCommand "$home" || code=1
    [ -z "${RESTIS_DATABASE:-}" ] || break
  done
  [ -n "$any" ] || { echo "There is no workshop here yet."; return 3; }
  return "$code"
}

stop_all() {
  local kind home pid any=
  for kind in demo workshop; do
    home=$(home_of "$kind")
    if pid=$(pid_in "$home"); then
      any=1
      kill -TERM "$pid"
      for _ in $(seq 150); do kill -0 "$pid" 2>/dev/null || break; sleep 0.2; done
      say "Stopped the $kind."
    fi
  done
  [ -n "$any" ] || say "Nothing is running."
}

status_all() {
  local kind home pid any=
  for kind in demo workshop; do
    home=$(home_of "$kind")
    if pid=$(pid_in "$home"); then any=1; echo "The $kind runs at $(cat "$home/address" 2>/dev/null || echo '(starting)'), process $pid, data in ${RESTIS_DATABASE:-$home}"; fi
  done
  [ -n "$any" ] || { echo "Nothing is running."; return 3; }
}

# --- tests and pictures ---------------------------------------------------------------------------------------------

# Core and the front end know nothing of each other: they are built side by side.
run_tests() { exec mvn -B -ntp -T 2 verify; }

# One test of the application with settings of its own; the front end stays as it is.
one_test() { exec mvn -B -ntp test -pl core,web,app -Dexec.skip=true -Dweb.skip=true -Dsurefire.failIfNoSpecifiedTests=false -Dtest="$1" "${@:2}"; }

# With the compiler that Restis runs with, and no output of the build but the figures.
measure_answers() {
  mvn -B -ntp verify -pl core,web,app,standins,e2e -Dsurefire.failIfNoSpecifiedTests=false -Dtest='AnswerTimes,LoadTimes,LearnedTimes' \
    -DexcludedGroups= -DforkCount=1 -DargLine='-Xmx512m -XX:+UseSerialGC -XX:TieredStopAtLevel=1' | grep -a '(bar: ' \
    || die "Nothing was measured; run it again without the grep in bin/lib.sh to see why."
}
take_screenshots() { exec mvn -B -ntp verify -pl core,web,app,standins,e2e -Dsurefire.failIfNoSpecifiedTests=false -Dtest=ScreenshotsTest -DexcludedGroups= ; }

# The web part is left as it is: it is built against the description that is about to be written.
write_api() { exec mvn -B -ntp test -pl core,web,app -Dexec.skip=true -Dweb.skip=true -Dsurefire.failIfNoSpecifiedTests=false -Dtest=ApiDescriptionTest -Drestis.api.write=true; }

write_centre_lines() {
  local classpath=core/target/classpath
  mvn -q -B compile dependency:build-classpath -Dmdep.outputFile="$PWD/$classpath" -Dmdep.includeScope=runtime -pl core >&2
  java -cp "core/target/classes:$(cat "$classpath")" dev.restis.core.picture.CentreLinesCommand \
    core/src/main/resources/dev/restis/core/picture/centre-lines.txt
  # The pictures are drawn from the lines just written.
  mvn -q -B process-resources -pl core >&2
  java -cp "core/target/classes:$(cat "$classpath")" dev.restis.core.picture.StitchPicturesCommand docs/stitches
}
