import 'reflect-metadata';
import { readConfig } from './config.ts';
import { startZivvo } from './start.ts';

/** The server as a process of its own. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const { address } = await startZivvo(config);
  if (config.endsWithInput) process.stdin.resume().once('end', () => process.kill(process.pid, 'SIGTERM'));
  console.log(`Zivvo is ready at ${address}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
