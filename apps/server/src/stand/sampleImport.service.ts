import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import {
  SAMPLE_ROW_MAX_COUNT,
  SAMPLES_AT_ONCE,
  type BeginSamplesDto,
  type CampaignDetailView,
  type ImportRunsDto,
  type SamplesView,
} from '@zivvo/contract';
import { CoreError, floatChannel, standQuantities } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { RecordingService } from '../recording/recording.service.ts';
import type { RecordingWriter } from '../recording/recordingWriter.ts';
import { CampaignRepository } from './campaign.repository.ts';
import { CampaignService } from './campaign.service.ts';
import { RunRepository } from './run.repository.ts';
import { RunService } from './run.service.ts';
import { AlreadyKeptError, NoImportError, SamplesRefusedError, TooManyImportsError } from './stand.errors.ts';

const IMPORTS_MOST = 4;
/** Lets whatever waits be done before more is. */
const othersFirst = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
/** One that nobody goes on with is given up [ms]. */
const IDLE_MS = 600_000;

interface OpenImport {
  campaignId: string;
  writer: RecordingWriter;
  channelCount: number;
  count: number;
  /** Parts are written one after another, in the order in which they came. */
  queue: Promise<unknown>;
  /** Blocks that were made and not written, and the sample that they begin with: they are written again as they are. */
  unwritten: { first: number; blocks: ReturnType<RecordingWriter['nextAt']> } | null;
  /** Its run is being kept: nobody takes its samples away meanwhile. */
  keeping: Promise<CampaignDetailView> | null;
  touchedMs: number;
}

/**
 * Samples of a logger on their way into the store. They come in parts, each said by its place, so that one that is sent
 * again changes nothing; the run is kept last. What was begun and not kept is cleared away, at the latest when Zivvo
 * starts.
 */
@Injectable()
export class SampleImports implements OnModuleInit {
  private readonly open = new Map<string, OpenImport>();
  /** Begun one after another, so that what is counted holds. */
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly campaigns: CampaignRepository,
    private readonly evenings: CampaignService,
    private readonly recordings: RecordingService,
    private readonly runRows: RunRepository,
    private readonly runs: RunService,
  ) {}

  async onModuleInit(): Promise<void> {
    for (const id of await this.runRows.recordingsOfNobody(this.db)) await this.recordings.remove(this.db, id);
  }

  /** The same twice goes on with what is there. */
  begin(dto: BeginSamplesDto): Promise<SamplesView> {
    const answer = this.turn.then(() => this.beginNext(dto));
    this.turn = answer.catch(() => undefined);
    return answer;
  }

  private async beginNext({ id, campaignId, quantities }: BeginSamplesDto): Promise<SamplesView> {
    const known = this.open.get(id);
    if (known) return { id, count: known.count };
    if ((await this.runRows.campaignOfRecording(this.db, id)) !== null) throw new AlreadyKeptError();
    await this.campaigns.find(this.db, campaignId);
    await this.giveUpIdle();
    if (this.open.size >= IMPORTS_MOST) throw new TooManyImportsError(IMPORTS_MOST);
    const channels = quantities.map((name) => floatChannel(name, standQuantities[name]));
    await this.recordings.create(this.db, id, [{ name: 'import', rateHz: null, channels }]);
    const writer = await this.recordings.begin(id);
    this.open.set(id, {
      campaignId,
      writer,
      channelCount: channels.length,
      count: 0,
      queue: Promise.resolve(),
      unwritten: null,
      keeping: null,
      touchedMs: this.clock.nowMs(),
    });
    return { id, count: 0 };
  }

  /**
   * Takes the samples from one on; those that are there already are left as they are.
   *
   * @param body - times as 64-bit floats, then each channel as 32-bit floats, little-endian
   */
  take(id: string, first: number, body: unknown): Promise<SamplesView> {
    const found = this.require(id);
    const answer = found.queue.then(() => this.append(id, found, first, body));
    found.queue = answer.catch(() => undefined);
    return answer;
  }

  /** Keeps the run with its samples; from then on they are its own. Asked again, it answers with what was kept. */
  async keep(id: string, dto: ImportRunsDto): Promise<CampaignDetailView> {
    const found = this.open.get(id);
    if (!found) {
      const keptIn = await this.runRows.campaignOfRecording(this.db, id);
      if (keptIn === null) throw new NoImportError(id);
      return this.evenings.find(keptIn);
    }
    found.keeping ??= this.keepOpen(id, found, dto).finally(() => (found.keeping = null));
    return found.keeping;
  }

  private async keepOpen(id: string, found: OpenImport, dto: ImportRunsDto): Promise<CampaignDetailView> {
    await found.queue;
    if (found.count === 0) throw new SamplesRefusedError('No sample came.');
    if (dto.runs.length !== 1) throw new SamplesRefusedError('Samples are of one run.');
    const kept = await this.runs.importAll(found.campaignId, dto, id);
    this.open.delete(id);
    return kept;
  }

  /** Clears away what was taken; an import that is kept, or that nobody began, stays as it is. */
  async giveUp(id: string): Promise<void> {
    await this.open.get(id)?.keeping?.catch(() => undefined);
    const found = this.open.get(id);
    if (!found) return;
    this.open.delete(id);
    await found.queue;
    await this.recordings.remove(this.db, id);
  }

  private async append(id: string, open: OpenImport, first: number, body: unknown): Promise<SamplesView> {
    const { writer, channelCount, count } = open;
    open.touchedMs = this.clock.nowMs();
    const bytes = Buffer.isBuffer(body) ? body : Buffer.alloc(0);
    const rowBytes = 8 + 4 * channelCount;
    const rows = bytes.length / rowBytes;
    if (!Number.isInteger(rows) || rows === 0 || rows > SAMPLES_AT_ONCE)
      throw new SamplesRefusedError(`1 to ${SAMPLES_AT_ONCE} samples of ${rowBytes} bytes are taken at once.`);
    if (first + rows <= count) return { id, count };
    if (first !== count) throw new SamplesRefusedError(`Sample ${count} is the next, not ${first}.`);
    if (count + rows > SAMPLE_ROW_MAX_COUNT)
      throw new SamplesRefusedError(`A run has at most ${SAMPLE_ROW_MAX_COUNT} samples.`);
    if (open.unwritten?.first !== first)
      open.unwritten = { first, blocks: await blocksOf(writer, toSamples(bytes, rows, channelCount)) };
    await this.recordings.write(this.db, open.unwritten.blocks);
    open.unwritten = null;
    open.count = count + rows;
    return { id, count: open.count };
  }

  private require(id: string): OpenImport {
    const found = this.open.get(id);
    if (!found) throw new NoImportError(id);
    return found;
  }

  private async giveUpIdle(): Promise<void> {
    const now = this.clock.nowMs();
    for (const [id, { touchedMs }] of this.open) if (now - touchedMs > IDLE_MS) await this.giveUp(id);
  }
}

/**
 * Blocks of samples, made one after another with everybody else heard in between.
 *
 * @throws {SamplesRefusedError} if time does not go on from where it was
 */
async function blocksOf(
  writer: RecordingWriter,
  { timesS, channels }: Samples,
): Promise<ReturnType<RecordingWriter['nextAt']>> {
  if (!(timesS[0]! >= 0) || !Number.isFinite(timesS.at(-1)!))
    throw new SamplesRefusedError('Times are seconds from the first sample on.');
  try {
    const blocks: ReturnType<RecordingWriter['nextAt']> = [];
    for (const rows of writer.blocksAt(0, timesS, channels)) {
      blocks.push(...rows);
      await othersFirst();
    }
    return blocks;
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    throw new SamplesRefusedError('Time does not go on.');
  }
}

interface Samples {
  timesS: Float64Array;
  channels: Float32Array[];
}

function toSamples(bytes: Buffer, rows: number, channelCount: number): Samples {
  // A body may lie anywhere in its pool, and floats of eight bytes only where eight divides.
  const own = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer;
  return {
    timesS: new Float64Array(own, 0, rows),
    channels: Array.from({ length: channelCount }, (_, c) => new Float32Array(own, 8 * rows + 4 * rows * c, rows)),
  };
}
