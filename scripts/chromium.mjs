import fs from 'node:fs';
import { run } from './process.mjs';

/** Debian's Chromium: without a window first, which starts and draws with less work. */
const PACKAGES = ['chromium-headless-shell', 'chromium'];
const PATHS = PACKAGES.map((name) => `/usr/bin/${name}`);

/** The browser that journeys, pictures and benchmarks drive; `CHROMIUM_PATH` names another. */
export function chromiumPath() {
  return process.env.CHROMIUM_PATH ?? PATHS.find((path) => fs.existsSync(path)) ?? PATHS[0];
}

/** Installs it where none is there and it may be. */
export function ensureChromium() {
  if (fs.existsSync(chromiumPath())) return;
  if (process.getuid?.() !== 0 || !fs.existsSync('/usr/bin/apt-get')) {
    console.error(`Chromium is missing: install Debian’s package ${PACKAGES[0]}, or name another with CHROMIUM_PATH.`);
    process.exit(1);
  }
  console.log('Installing Chromium…');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { isSoft: true, env });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', PACKAGES[0]], { env });
}
