import { Inject, Injectable } from '@nestjs/common';
import type { CareSettingDto, CareView } from '@zivvo/contract';
import { careRemarks } from '@zivvo/core';
import { RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { toPieceView } from '../rack/piece.mapper.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { SettingRepository } from './care.repository.ts';
import { CareHistory } from './careHistory.service.ts';
import { usualSetting } from './conditions.service.ts';
import { OutlookService } from './outlook.service.ts';
import { PieceLives } from './pieceLives.service.ts';

/** The care of one craft: how its pieces are judged, and all that is to be seen of it. */
@Injectable()
export class CareService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly settings: SettingRepository,
    private readonly ready: ReadyService,
    private readonly lives: PieceLives,
    private readonly history: CareHistory,
    private readonly outlook: OutlookService,
  ) {}

  /** Everything that Care shows of one craft. */
  async find(craftId: string): Promise<CareView> {
    const craft = await this.crafts.find(this.db, craftId);
    const {
      ready,
      arrangement: { on, models },
      record,
    } = (await this.ready.of([craft])).get(craftId)!;
    const { policy, isFolding, revision } = (await this.settings.ofCraft(this.db, craftId)) ?? {
      ...usualSetting,
      revision: 0,
    };
    const alerts = await this.history.alertsOn(on);
    const lives = await this.lives.of(on, new Map(models.map((m) => [m.id, m])), craftId);
    const motorsToFeel = await this.history.motorsToFeel(craftId);
    const pieces = on.map((living) => ({
      piece: toPieceView(living),
      life: lives.get(living.piece.id)!,
      openOutcome: record.pieces.get(living.piece.id)!.openOutcome,
      alert: record.pieces.get(living.piece.id)!.alert,
    }));
    const model = models[0] ?? null;
    const reasons = careRemarks({
      pieces: pieces.map(({ piece, life }) => ({ tag: piece.tag, life })),
      lookSecondsPerProp: record.look && record.look.durationS / Math.max(1, record.look.looks.length),
      changesLeft: await this.outlook.changesLeft(craft, model),
      temperature: await this.outlook.temperature(model),
    });
    return {
      craftId,
      setting: { policy, isFolding, revision },
      ready,
      reasons,
      pieces,
      motorsToFeel,
      alerts,
      ...(await this.history.of(craftId)),
      season: await this.outlook.season(craft, model),
    };
  }

  async set(craftId: string, { policy, isFolding, revision }: CareSettingDto): Promise<CareView> {
    await this.crafts.find(this.db, craftId);
    const row = await this.settings.ofCraft(this.db, craftId);
    if (row) await this.settings.revise(this.db, row.id, revision, { policy, isFolding }, this.rows.now());
    else if (revision !== 0) throw new RevisionConflictError('care setting', revision, 0);
    else await this.settings.add(this.db, { ...this.rows.newRow(this.rows.makeId()), craftId, policy, isFolding });
    return this.find(craftId);
  }
}
