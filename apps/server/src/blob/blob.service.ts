import { Inject, Injectable } from '@nestjs/common';
import type { BlobView } from '@zivvo/contract';
import path from 'node:path';
import { Clock } from '../common/clock.ts';
import { NotFoundError } from '../common/featureError.ts';
import { currentPersonId } from '../common/requestContext.ts';
import { CONFIG, type Config } from '../config.ts';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { BlobFiles } from './blob.files.ts';
import { BlobRepository } from './blob.repository.ts';
import { requireKnownType } from './blob.errors.ts';

@Injectable()
export class BlobService {
  private readonly files: BlobFiles;

  constructor(
    @Inject(CONFIG) config: Config,
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly clock: Clock,
    private readonly blobs: BlobRepository,
  ) {
    this.files = new BlobFiles(path.join(config.dataFolder, 'blobs'));
  }

  /** Stores a picture or raw text; the row is written after the file is safe. */
  async store(bytes: Buffer, name: string): Promise<BlobView> {
    const mediaType = requireKnownType(bytes);
    const sha256 = await this.files.store(bytes);
    await this.blobs.add(this.db, {
      sha256,
      workshopId: this.workshop.id,
      personId: currentPersonId(),
      size: bytes.length,
      mediaType,
      name,
      createdAt: this.clock.now(),
    });
    return { sha256, size: bytes.length, mediaType, name };
  }

  async open(sha256: string): Promise<{ file: string; mediaType: string }> {
    const row = /^[0-9a-f]{64}$/.test(sha256) ? await this.blobs.find(this.db, sha256) : undefined;
    if (!row) throw new NotFoundError('file', sha256.slice(0, 64));
    return { file: this.files.fileOf(sha256), mediaType: row.mediaType };
  }
}
