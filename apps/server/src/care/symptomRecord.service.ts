import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type RecentChangeView } from '@zivvo/contract';
import { evaluateCandidate, modelGeometry, type ChangeName, type RecordFact } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import type { FactKind } from '../event/facts.ts';
import { PartService } from '../rack/part.service.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { toLogEntry } from './care.mapper.ts';
import { LogRepository, type LogRow } from './care.repository.ts';
import { PackUse } from './packUse.service.ts';

const DAY_MS = 86_400_000;
/** How far back a change may still be the reason. */
const RECENT_DAYS = 60;
const RECENT_MOST = 12;
const SPENT = 0.8;
const HIGH_HOVER = 0.6;

/** What the record says of a craft before anybody is asked. */
@Injectable()
export class SymptomRecord {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly crafts: CraftRepository,
    private readonly bench: CraftRotors,
    private readonly ready: ReadyService,
    private readonly parts: PartService,
    private readonly packs: PackUse,
    private readonly log: LogRepository,
  ) {}

  /** What the record knows of a craft that may stand behind a symptom. */
  async factsOf(craftId: string): Promise<RecordFact[]> {
    const craft = await this.crafts.find(this.db, craftId);
    const motors = await this.parts.motorsOn(craftId);
    const {
      arrangement: { on, models, changed, signedSequence },
      record,
    } = (await this.ready.of([craft])).get(craftId)!;
    const lives = [...record.pieces.values()].map((p) => p.life);
    const facts: Record<RecordFact, boolean> = {
      untrued: on.some(({ life }) => !life.isTruedStatic && !life.isTruedDynamic),
      lifeOver: lives.some((l) => l.usedRatio >= SPENT),
      // Nobody signed for the arrangement since an arm last changed.
      layoutUnseen: on.length > 0 && Math.max(0, ...changed.values()) > signedSequence,
      struckPiece: lives.some((l) => l.strikeCount > 0),
      motorStruck: motors.some((m) => m.strikeCount > 0),
      motorGritty: motors.some((m) => m.bearing === 'gritty' || m.bearing === 'dry'),
      packOverDrawn: await this.packs.isOverDrawn(craftId),
      mixedModels: new Set(on.map((p) => p.piece.propModelId)).size > 1,
      overCurrent: motors.some((m) => m.overLimitCount > 0),
      highHover: this.doesHoverHigh(craft, models[0] ?? null),
    };
    return (Object.keys(facts) as RecordFact[]).filter((fact) => facts[fact]);
  }

  private doesHoverHigh(craft: CraftRow, model: PropModelRow | null): boolean {
    if (model === null) return false;
    const { figures } = evaluateCandidate(this.bench.of(craft), { ...modelGeometry(model), massKg: null });
    return figures.carryThrottleRatio > HIGH_HOVER;
  }

  /** What the record says was changed lately, the newest first. */
  async recentOf(craftId: string): Promise<RecentChangeView[]> {
    const now = this.clock.now();
    const rows = await this.log.ofCraft(
      this.db,
      craftId,
      new Date(now.getTime() - RECENT_DAYS * DAY_MS),
      now,
      LIST_MAX,
    );
    return rows.flatMap((row) => toChange(row) ?? []).slice(0, RECENT_MOST);
  }
}

const CHANGES: Partial<Record<FactKind, ChangeName>> = {
  pieceFitted: 'props',
  pieceRemoved: 'props',
  pieceDressed: 'props',
  struck: 'strike',
  gainsFlown: 'gains',
  gainSheetOpened: 'gains',
};

function toChange(row: LogRow): RecentChangeView | null {
  const change = CHANGES[row.fact.kind];
  return change ? { ...toLogEntry(row), change } : null;
}
