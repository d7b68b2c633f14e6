import { spawn } from 'node:child_process';
import net from 'node:net';
import path from 'node:path';
import { SERVER } from './bundleServer.mjs';
import { environment } from './process.mjs';

const DEFAULT_PORT = 4600;

/** Starts the built server on one port and stays with it. */
export async function serve(env) {
  const port = Number(process.env.PORT ?? DEFAULT_PORT);
  if (!(await isFree(port))) {
    console.error(`Port ${port} is taken. Free it, or start with PORT=${await nextFree(port + 1)}.`);
    process.exit(1);
  }
  const child = spawn(process.execPath, ['--enable-source-maps', SERVER], {
    stdio: 'inherit',
    env: { ...environment, PORT: String(port), ZIVVO_WEB: path.resolve('apps/web/dist'), ...env },
  });
  follow([child]);
}

/** Live reload: the compiler watches the server's sources, Node its output, Vite the web app. */
export async function serveForDevelopment() {
  const port = (await isFree(DEFAULT_PORT)) ? DEFAULT_PORT : await nextFree(DEFAULT_PORT + 1);
  const env = {
    ...environment,
    PORT: String(port),
    ZIVVO_API: `http://127.0.0.1:${port}`,
    ZIVVO_WORKSHOP: 'demo',
    ZIVVO_DATA: path.resolve(process.env.ZIVVO_DATA ?? 'demo-data'),
  };
  const start = (args, cwd) => spawn(process.execPath, args, { stdio: 'inherit', env, cwd });
  follow([
    start(['node_modules/typescript/bin/tsc', '-b', '--watch', '--preserveWatchOutput', 'apps/server']),
    start([
      '--watch',
      '--watch-path=apps/server/dist',
      '--watch-path=packages/core/dist',
      '--enable-source-maps',
      'apps/server/dist/main.js',
    ]),
    start(['../../node_modules/vite/bin/vite.js'], 'apps/web'),
  ]);
}

/** Ends the children with us, and us with the first child. */
function follow(children) {
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => children.forEach((c) => c.kill(signal)));
  for (const child of children) {
    child.on('exit', (code) => {
      children.forEach((c) => c !== child && c.kill('SIGTERM'));
      process.exitCode = code ?? 0;
    });
  }
}

function isFree(port) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

async function nextFree(from) {
  for (let port = from; port < from + 100; port++) if (await isFree(port)) return port;
  return 0;
}
