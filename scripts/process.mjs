import { spawnSync } from 'node:child_process';

/** Surroundings of every child: none of the parent's Node options. */
export const environment = { ...process.env, NODE_OPTIONS: undefined };

/** Runs a command to its end; a failure ends everything unless it is said to be soft. */
export function run(command, args, { cwd, env, isSoft = false, isQuiet = false } = {}) {
  const result = spawnSync(command, args, { stdio: isQuiet ? 'ignore' : 'inherit', cwd, env: { ...environment, ...env } });
  if (result.status !== 0 && !isSoft) process.exit(result.status ?? 1);
  return result.status ?? 1;
}

/** Runs a script with this very Node. */
export function runNode(args, options) {
  return run(process.execPath, args, options);
}
