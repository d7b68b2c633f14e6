// Runs the server's tests once against a real PostgreSQL, Debian's, which is installed where it is missing and may be.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { run, runNode } from './process.mjs';

const PORT = 54_329;

/** Ends with the tests' own result; without a PostgreSQL it says so and fails. */
export function postgres() {
  const tools = toolsFolder();
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-postgres-'));
  const isRoot = process.getuid?.() === 0;
  // The server does not run as root: Debian's own user does it then.
  if (isRoot) execFileSync('chown', ['postgres', folder]);
  const as = (tool, args) =>
    isRoot
      ? execFileSync('runuser', ['-u', 'postgres', '--', path.join(tools, tool), ...args], { stdio: 'ignore' })
      : execFileSync(path.join(tools, tool), args, { stdio: 'ignore' });
  const data = path.join(folder, 'data');
  as('initdb', ['-D', data, '-A', 'trust', '-U', 'postgres']);
  const options = `-p ${PORT} -k ${folder} -c fsync=off -c listen_addresses=127.0.0.1`;
  as('pg_ctl', ['-D', data, '-l', path.join(folder, 'log'), '-w', '-o', options, 'start']);
  let status = 1;
  try {
    const env = { ZIVVO_TEST_DATABASE_URL: `postgres://postgres@127.0.0.1:${PORT}/postgres` };
    const jest = [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      'server',
    ];
    status = runNode([...jest, '--maxWorkers', '100%'], { env, isSoft: true });
  } finally {
    as('pg_ctl', ['-D', data, '-m', 'fast', 'stop']);
    fs.rmSync(folder, { recursive: true, force: true });
  }
  process.exitCode = status;
}

function toolsFolder() {
  const found = () => {
    const versions = fs.existsSync('/usr/lib/postgresql') ? fs.readdirSync('/usr/lib/postgresql') : [];
    return versions
      .map((v) => `/usr/lib/postgresql/${v}/bin`)
      .filter((f) => fs.existsSync(`${f}/initdb`))
      .at(-1);
  };
  if (!found() && process.getuid?.() === 0 && fs.existsSync('/usr/bin/apt-get')) {
    const env = { DEBIAN_FRONTEND: 'noninteractive' };
    run('apt-get', ['update', '-qq'], { isSoft: true, env });
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'postgresql'], { isSoft: true, env });
  }
  const folder = found();
  if (folder) return folder;
  console.error('PostgreSQL is missing: install Debian’s package postgresql.');
  process.exit(1);
}
