import fs from 'node:fs';
import path from 'node:path';
import { workshopsFolder, Zivvo } from './zivvo.ts';

/**
 * Opens an empty workshop and the demo once, for every journey to begin on a copy of them; answers how they go again.
 */
export default async function openedOnce(): Promise<() => void> {
  const folder = fs.mkdtempSync(path.join(workshopsFolder(), 'zivvo-opened-'));
  for (const kind of ['own', 'demo'] as const) {
    const zivvo = new Zivvo(kind, null);
    await zivvo.start();
    await zivvo.stop('SIGTERM');
    fs.renameSync(zivvo.dataFolder, path.join(folder, kind));
  }
  process.env.ZIVVO_OPENED = folder;
  return () => fs.rmSync(folder, { recursive: true, force: true });
}
