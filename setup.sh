# Sourced by ./knuckle and ./check: installs what a bare Debian-like machine lacks.

_install() {
  if ! command -v apt-get >/dev/null; then
    echo "Knuckle needs: $*. Install them with your system's package manager." >&2
    exit 1
  fi
  local root=""
  [ "$(id -u)" = 0 ] || root="sudo"
  echo "Knuckle: installing $*" >&2
  $root apt-get update -qq >&2
  DEBIAN_FRONTEND=noninteractive $root apt-get install -y -qq --no-install-recommends "$@" >&2
}

# Not by a pipe into grep -q: what writes into it may be cut off, and would seem to have failed.
_missing_library() { [[ $(ldconfig -p) != *"$1"* ]]; }

need_build_tools() {
  local lacks=()
  command -v javac >/dev/null || lacks+=(openjdk-17-jdk)
  command -v mvn >/dev/null || lacks+=(maven)
  [ ${#lacks[@]} = 0 ] || _install "${lacks[@]}"
}

need_window_libraries() {
  local lacks=()
  _missing_library libgtk-3.so.0 && lacks+=(libgtk-3-0)
  _missing_library libXtst.so.6 && lacks+=(libxtst6)
  [ ${#lacks[@]} = 0 ] || _install "${lacks[@]}"
}

need_virtual_display() {
  local lacks=()
  command -v Xvfb >/dev/null || lacks+=(xvfb)
  command -v xauth >/dev/null || lacks+=(xauth)
  [ ${#lacks[@]} = 0 ] || _install "${lacks[@]}"
}

need_window_manager() {
  command -v openbox >/dev/null || _install openbox
}

need_packaging_tools() {
  local lacks=()
  command -v fakeroot >/dev/null || lacks+=(fakeroot)
  command -v dpkg-deb >/dev/null || lacks+=(dpkg)
  command -v objcopy >/dev/null || lacks+=(binutils)
  [ ${#lacks[@]} = 0 ] || _install "${lacks[@]}"
}

need_bare_root_tools() {
  local lacks=()
  command -v debootstrap >/dev/null || lacks+=(debootstrap)
  command -v import >/dev/null || lacks+=(imagemagick)
  command -v xdotool >/dev/null || lacks+=(xdotool)
  [ ${#lacks[@]} = 0 ] || _install "${lacks[@]}"
}
