import { spawn, spawnSync } from 'node:child_process';

/** Surroundings of every child: none of the parent's Node options. */
export const environment = { ...process.env, NODE_OPTIONS: undefined };

/** Runs a command to its end; a failure ends everything unless it is said to be soft. */
export function run(command, args, { cwd, env, isSoft = false, isQuiet = false } = {}) {
  const result = spawnSync(command, args, {
    stdio: isQuiet ? 'ignore' : 'inherit',
    cwd,
    env: { ...environment, ...env },
  });
  if (result.status !== 0 && !isSoft) process.exit(result.status ?? 1);
  return result.status ?? 1;
}

/** Runs a script with this very Node. */
export function runNode(args, options) {
  return run(process.execPath, args, options);
}

/**
 * Runs lanes of scripts side by side, those of a lane one after the other; what each said is shown when it ends, and a
 * failure ends everything.
 */
export async function runTogether(lanes) {
  await Promise.all(
    lanes.map(async (lane) => {
      for (const { name, args } of lane) {
        const { status, said } = await listen(args);
        console.log(`${name}: ${status === 0 ? 'in order' : 'failed'}`);
        if (status === 0) continue;
        console.log(said);
        process.exit(status);
      }
    }),
  );
}

function listen(args) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'pipe'], env: environment });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => resolve({ status: code ?? 1, said }));
  });
}
