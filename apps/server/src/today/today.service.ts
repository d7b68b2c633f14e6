import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type TodayView } from '@zivvo/contract';
import { benchJobs, byUrgency, type DueItem, type LineStop, type ReadyPlace, type ReadyPoint } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { DueService } from '../line/due.service.ts';
import { LineService } from '../line/line.service.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { RecentWork } from './recentWork.repository.ts';

/** So much of each list; the stations hold the rest. */
const MISSING_MOST = 3;
const DUE_MOST = 40;
const RECENT_MOST = 8;

const PATHS: Readonly<Record<ReadyPlace, string>> = {
  fit: '/fit',
  walk: '/care/walk',
  care: '/care',
  balance: '/balance',
};

/** The morning’s page: may each craft fly, what waits, what was worked on. */
@Injectable()
export class TodayService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly crafts: CraftRepository,
    private readonly ready: ReadyService,
    private readonly line: LineService,
    private readonly dues: DueService,
    private readonly recent: RecentWork,
    private readonly clock: Clock,
  ) {}

  async find(): Promise<TodayView> {
    const { rows, total } = await this.crafts.list(this.db, LIST_MAX);
    const [answers, stops, waiting, recent] = await Promise.all([
      this.ready.of(rows),
      this.line.stopsOf(rows),
      this.dues.of(rows),
      this.recent.newest(this.db, RECENT_MOST),
    ]);
    const crafts = rows.map(({ id, name, ownerName }) => {
      const { verdict, missing } = answers.get(id)!.ready;
      return { id, name, ownerName, verdict, missing, stops: stops.get(id)! };
    });
    const all = byUrgency([
      ...crafts.flatMap(({ id, missing }) => missing.filter(isWork).map((point) => dueOf(point, id))),
      ...crafts.flatMap(({ id, stops: own }) => own.filter(isWrong).map((stop) => dueStop(stop, id))),
      ...waiting,
    ]);
    return {
      at: this.clock.now().toISOString(),
      crafts: crafts.map((craft) => ({
        ...craft,
        missing: craft.missing.slice(0, MISSING_MOST),
        missingCount: craft.missing.length,
      })),
      craftTotal: total,
      due: all.slice(0, DUE_MOST),
      dueTotal: all.length,
      jobs: benchJobs(all).slice(0, DUE_MOST),
      recent,
    };
  }
}

/** What is done on the field before each flight is no work that waits: a look, a signature, a spin to be seen. */
const isWork = ({ verdict }: ReadyPoint): boolean => !['look', 'unsigned', 'unseen', 'incomplete'].includes(verdict);

const dueOf = ({ reason, where }: ReadyPoint, craftId: string): DueItem => ({ reason, path: PATHS[where], craftId });

/** Arms and balance are among what keeps a craft down; here is what else is wrong on the line. */
const isWrong = ({ state, station }: LineStop): boolean =>
  state === 'notched' && station !== 'fit' && station !== 'balance';

const dueStop = ({ code, values, station }: LineStop, craftId: string): DueItem => ({
  reason: { code, severity: 'caution', values, figure: null },
  path: `/${station}`,
  craftId,
});
