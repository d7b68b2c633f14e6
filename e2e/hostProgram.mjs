// One process that serves one Zivvo after another, or several at once: each has its own database, folder and port, as
// if it were alone, and none pays for loading the program again.
import 'reflect-metadata';
import { readConfig } from '../apps/server/dist/config.js';
import { startZivvo } from '../apps/server/dist/start.js';

const served = new Map();

process.on('message', ({ id, env }) => {
  const work = env === null ? close(id) : open(id, env);
  work.then(
    (address) => process.send({ id, address }),
    (error) => process.send({ id, error: String(error?.stack ?? error) }),
  );
});
process.on('disconnect', () => process.exit(0));

async function open(id, env) {
  const { app, address } = await startZivvo(readConfig(env));
  served.set(id, app);
  return address;
}

async function close(id) {
  await served.get(id)?.close();
  served.delete(id);
  return null;
}
