import crypto from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { bundleServer, SERVER } from './bundleServer.mjs';
import { run, runNode } from './process.mjs';

const INSTALL_STAMP = 'node_modules/.zivvo-installed';
const BUILD_STAMP = '.cache/built.json';
const SERVER_PARTS = ['packages/core', 'packages/contract', 'packages/words', 'apps/server'];

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  console.error(`Zivvo needs Node 20.19 or newer; this is ${process.version}.`);
  process.exit(1);
}

/** Installs the packages of the lock file, once per lock file and Node version. */
export function ensureInstalled() {
  const wanted = `${digest([fs.readFileSync('package-lock.json')])} ${process.version}`;
  if (fs.existsSync(INSTALL_STAMP) && fs.readFileSync(INSTALL_STAMP, 'utf8') === wanted) return;
  console.log('Installing packages (once)…');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  fs.writeFileSync(INSTALL_STAMP, wanted);
}

/**
 * Compiles what changed since the last build: server parts, web app, and the databases that new folders are copied
 * from.
 */
export async function build({ withWeb = true, withDemo = false } = {}) {
  fs.mkdirSync('.cache', { recursive: true });
  const built = fs.existsSync(BUILD_STAMP) ? JSON.parse(fs.readFileSync(BUILD_STAMP, 'utf8')) : {};
  const server = sourcesDigest([...SERVER_PARTS, 'tsconfig.base.json']);
  const web = sourcesDigest(['packages', 'apps/web', 'tsconfig.base.json']);
  if (built.server !== server || !fs.existsSync(SERVER)) {
    console.log('Building the server…');
    runNode(['node_modules/typescript/bin/tsc', '-b', ...SERVER_PARTS]);
    await bundleServer();
    write({ server });
  }
  if (withWeb && (built.web !== web || !fs.existsSync('apps/web/dist/index.html'))) {
    console.log('Building the web app…');
    runNode(['../../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'], { cwd: 'apps/web' });
    write({ web });
  }
  const engine = JSON.parse(fs.readFileSync('node_modules/@electric-sql/pglite/package.json', 'utf8')).version;
  const schema = digest([fs.readFileSync('apps/server/drizzle/meta/_journal.json')]);
  ensureDatabase(
    'empty-database',
    `${engine} ${schema}`,
    'apps/server/dist/database/makeTemplate.js',
    'Preparing an empty database (once)…',
  );
  if (withDemo)
    ensureDatabase(
      'demo-database',
      `${engine} ${schema} ${server}`,
      'apps/server/dist/demo/makeDemo.js',
      'Playing two hundred days of the demo workshop (once; a minute)…',
    );

  function write(part) {
    const now = fs.existsSync(BUILD_STAMP) ? JSON.parse(fs.readFileSync(BUILD_STAMP, 'utf8')) : {};
    fs.writeFileSync(BUILD_STAMP, JSON.stringify({ ...now, ...part }));
  }
}

/** A database that a script makes, to be copied; made again when what it comes from changes. */
function ensureDatabase(name, wanted, script, told) {
  const [folder, stamp, workplace] = [`.cache/${name}`, `.cache/${name}.version`, `.cache/${name}.workplace`];
  if (fs.existsSync(folder) && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === wanted) return;
  console.log(told);
  for (const old of [folder, workplace]) fs.rmSync(old, { recursive: true, force: true });
  runNode([script, path.resolve(workplace), path.resolve(folder)]);
  fs.rmSync(workplace, { recursive: true, force: true });
  fs.writeFileSync(stamp, wanted);
}

function digest(parts) {
  const hash = crypto.createHash('sha256');
  for (const part of parts) hash.update(part);
  return hash.digest('hex');
}

/** Digest of every source below some folders; built output and installed packages do not count. */
function sourcesDigest(roots) {
  const parts = [fs.readFileSync('package-lock.json')];
  const visit = (file) => {
    const stat = fs.statSync(file);
    if (!stat.isDirectory()) {
      parts.push(file, fs.readFileSync(file));
      return;
    }
    for (const name of fs.readdirSync(file).sort())
      if (name !== 'node_modules' && name !== 'dist' && name !== 'fixtures') visit(path.join(file, name));
  };
  roots.forEach(visit);
  return digest(parts);
}
