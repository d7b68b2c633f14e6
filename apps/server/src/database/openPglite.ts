import { PGlite } from '@electric-sql/pglite';
import { SyncedNodeFs } from './syncedNodeFs.ts';

/** Opens the embedded database of a folder with writes that reach the disk. */
export async function openPglite(folder: string, template?: Blob): Promise<PGlite> {
  return PGlite.create({
    fs: new SyncedNodeFs(folder),
    ...(template ? { loadDataDir: template } : {}),
    startParams: [...PGlite.defaultStartParams.filter((p) => p !== '-F'), '-c', 'wal_sync_method=fsync'],
  });
}
