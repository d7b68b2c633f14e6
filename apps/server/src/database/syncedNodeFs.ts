import { NodeFS } from '@electric-sql/pglite/nodefs';
import fs from 'node:fs';

/** The parts of the embedded database's loader that are touched here. */
interface LoaderOptions {
  emscriptenOpts: { preRun?: ((module: LoadedModule) => void)[] };
}
interface LoadedModule {
  NODEFS: { stream_ops: { fsync?: (stream: { nfd?: number }) => number } };
}

/**
 * A file system for the embedded database that really reaches the disk: the stock one has no fsync, so a power cut
 * could take what was already acknowledged. Leans on internals of the pinned version; a test counts the calls.
 */
export class SyncedNodeFs extends NodeFS {
  override async init(...parameters: Parameters<NodeFS['init']>): Promise<Awaited<ReturnType<NodeFS['init']>>> {
    const result = await super.init(...parameters);
    const options = result as unknown as LoaderOptions;
    (options.emscriptenOpts.preRun ??= []).push((module) => {
      module.NODEFS.stream_ops.fsync = (stream) => {
        if (stream.nfd !== undefined) fs.fsyncSync(stream.nfd);
        return 0;
      };
    });
    return result;
  }
}
