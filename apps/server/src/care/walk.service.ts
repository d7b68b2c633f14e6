import { Inject, Injectable } from '@nestjs/common';
import { lookSides, type CreateWalkaroundDto, type PropLookDto, type WalkaroundView } from '@zivvo/contract';
import { worstOutcome } from '@zivvo/core';
import { NotFoundError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { NO_ACTION, PieceService } from '../rack/piece.service.ts';
import { HalfLookError, NoSuchArmError } from './care.errors.ts';
import { toWalkaroundView } from './care.mapper.ts';
import { WalkaroundRepository } from './care.repository.ts';
import type { StoredLook } from './care.table.ts';
import { Conditions } from './conditions.service.ts';
import { LookJudge } from './lookJudge.service.ts';

/** Looks over craft, and what is done about what they found. */
@Injectable()
export class WalkService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly walkarounds: WalkaroundRepository,
    private readonly conditions: Conditions,
    private readonly judge: LookJudge,
    private readonly actions: PieceService,
    private readonly ledger: EventLedger,
  ) {}

  /** A look over the craft: each prop is judged, what must be mended or thrown out waits until it is. */
  async walkRound(craftId: string, dto: CreateWalkaroundDto): Promise<WalkaroundView> {
    const craft = await this.crafts.find(this.db, craftId);
    const setting = await this.conditions.settingOf(this.db, craftId);
    requireWhole(craft, dto.looks);
    await this.db.transaction(async (tx) => {
      const seen = await this.judge.seenBefore(tx, craft);
      const judged: StoredLook[] = [];
      for (const look of dto.looks) judged.push(await this.judge.judge(tx, seen, setting, look));
      const outcome = worstOutcome(judged.map((l) => l.outcome));
      const looks = outcome === 'retireSet' ? judged.map((l) => ({ ...l, outcome })) : judged;
      const { policy, isFolding } = setting;
      const isNew = await this.walkarounds.add(tx, {
        ...this.rows.newRow(dto.id),
        craftId,
        lookedAt: this.rows.now(),
        durationS: dto.durationS,
        policy,
        isFolding,
        outcome,
        looks,
        note: dto.note ?? null,
      });
      if (!isNew) return;
      await this.ledger.record(tx, craftId, {
        kind: 'walkedRound',
        craftId,
        walkaroundId: dto.id,
        outcome,
        durationS: dto.durationS,
        propCount: looks.length,
        findingCount: looks.reduce((sum, l) => sum + l.findings.length, 0),
      });
      for (const { pieceId, findings, outcome: own, isTruingVoid } of looks)
        if (pieceId !== null)
          await this.ledger.record(tx, pieceId, {
            kind: 'pieceLooked',
            pieceId,
            craftId,
            outcome: own,
            isTruingVoid,
            hasNick: findings.some((f) => f.what === 'nick'),
            findings,
          });
    });
    return toWalkaroundView((await this.walkarounds.byId(this.db, dto.id))!);
  }

  /**
   * The edge was dressed and the piece cleaned: its balancing is void where mass went away, and the look is answered.
   */
  async mend(craftId: string, pieceId: string): Promise<void> {
    await this.db.transaction(async (tx) => {
      await this.crafts.find(tx, craftId);
      const look = (await this.walkarounds.newestLooks(tx, [pieceId])).get(pieceId);
      if (look?.fact.outcome !== 'clean') throw new NotFoundError('open finding', pieceId);
      if (look.fact.isTruingVoid) await this.actions.recordById(tx, pieceId, { ...NO_ACTION, action: 'dress' });
      await this.ledger.record(tx, pieceId, {
        kind: 'pieceLooked',
        pieceId,
        craftId,
        outcome: 'fly',
        isTruingVoid: false,
        hasNick: false,
        findings: [],
      });
    });
  }
}

/** A look is over the whole craft: every arm once, every side of it. */
function requireWhole({ name, rotors }: CraftRow, looks: readonly PropLookDto[]): void {
  for (const look of looks)
    if (!rotors.some((r) => r.place === look.place && r.level === look.level))
      throw new NoSuchArmError(name, look.place);
  const unseen = rotors.filter(
    (r) =>
      !looks.some(
        (l) => l.place === r.place && l.level === r.level && lookSides.every((side) => l.seen.includes(side)),
      ),
  );
  if (unseen.length > 0 || looks.length !== rotors.length) throw new HalfLookError(name, unseen.length);
}
