import { createHash, randomUUID } from 'node:crypto';
import { open, mkdir, rename, stat } from 'node:fs/promises';
import path from 'node:path';

/** Files named by their own digest. A file is whole and on the disk before anybody hears of it. */
export class BlobFiles {
  constructor(private readonly folder: string) {}

  async store(bytes: Buffer): Promise<string> {
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const file = this.fileOf(sha256);
    if (await exists(file)) return sha256;
    await mkdir(path.dirname(file), { recursive: true });
    const temporary = `${file}.${randomUUID()}`;
    const handle = await open(temporary, 'wx');
    try {
      await handle.writeFile(bytes);
      await handle.sync();
    } finally {
      await handle.close();
    }
    await rename(temporary, file);
    return sha256;
  }

  fileOf(sha256: string): string {
    return path.join(this.folder, sha256.slice(0, 2), sha256);
  }
}

async function exists(file: string): Promise<boolean> {
  return stat(file).then(
    () => true,
    () => false,
  );
}
