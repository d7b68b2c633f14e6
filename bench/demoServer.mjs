// A demo server for benchmarks that need one: real database, a folder of its own, gone afterwards.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { SERVER } from '../scripts/bundleServer.mjs';

/** Starts the demo on a port, does the work with its address and the number of its process, and ends it. */
export async function withDemoServer(port, work) {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-bench-'));
  const env = {
    ...process.env,
    PORT: String(port),
    ZIVVO_DATA: folder,
    ZIVVO_WORKSHOP: 'demo',
    ZIVVO_WEB: path.resolve('apps/web/dist'),
    // However this process ends, the server ends with it.
    ZIVVO_ENDS_WITH_INPUT: '1',
  };
  const server = spawn(process.execPath, [SERVER], { env, stdio: ['pipe', 'pipe', 'inherit'] });
  try {
    await new Promise((resolve, reject) => {
      server.stdout.on('data', (chunk) => chunk.toString().includes('ready at') && resolve());
      server.once('exit', () => reject(new Error('The server of the bench ended.')));
    });
    return await work(`http://127.0.0.1:${port}`, server.pid);
  } finally {
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
    fs.rmSync(folder, { recursive: true, force: true });
  }
}
