#!/bin/sh
# ChromeDriver waits for a page, and this browser opens one only for an address that it is given.
exec /usr/lib/chromium/chromium-headless-shell "$@" about:blank
