import { readFileSync } from 'node:fs';

/** Version of this Zivvo. */
export const VERSION = (
  JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string }
).version;
