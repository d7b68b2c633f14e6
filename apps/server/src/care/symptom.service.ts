import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type RecentChangeView, type SymptomCaseDto, type SymptomCaseView, type SymptomStartView } from '@zivvo/contract';
import { diagnose, evaluateCandidate, modelGeometry, type ChangeName, type RecordFact } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RevisionConflictError } from '../common/featureError.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db } from '../database/database.ts';
import type { StoredFact } from '../event/event.facts.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PieceRepository } from '../piece/piece.repository.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { RunService } from '../stand/run.service.ts';
import { PartService } from '../workshop/part.service.ts';
import { toLogEntry } from './care.mapper.ts';
import { PieceLives } from './pieceLives.service.ts';
import { FlightRepository, LogRepository, SymptomCaseRepository, type LogRow, type SymptomCaseRow } from './care.repository.ts';

const DAY_MS = 86_400_000;
/** How far back a change may still be the reason. */
const RECENT_DAYS = 60;
const RECENT_MOST = 12;
const SPENT = 0.8;
const HIGH_HOVER = 0.6;
const RECENT_FLIGHTS = 10;

/** What is wrong with a craft: the record speaks first, then questions. */
@Injectable()
export class SymptomService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly cases: SymptomCaseRepository,
    private readonly crafts: CraftRepository,
    private readonly pieces: PieceRepository,
    private readonly parts: PartService,
    private readonly lives: PieceLives,
    private readonly flights: FlightRepository,
    private readonly runs: RunService,
    private readonly models: PropModelRepository,
    private readonly bench: RotorBench,
    private readonly log: LogRepository,
    private readonly ledger: EventLedger,
  ) {}

  /** What the record says of a craft before anybody is asked. */
  async start(craftId: string): Promise<SymptomStartView> {
    const rows = await this.cases.ofCraft(this.db, craftId, LIST_MAX);
    const [facts, recent] = [await this.factsOf(craftId), await this.recentOf(craftId)];
    const open = rows.find((r) => r.closedAt === null);
    return { facts, recent, openCase: open ? toCaseView(open, facts, recent) : null, solved: rows.flatMap((r) => (r.mendedCause !== null && r.closedAt !== null ? [{ cause: r.mendedCause, at: r.closedAt.toISOString() }] : [])) };
  }

  /** Writes the whole case down at each answer; the first one opens it. */
  async save(craftId: string, id: string, { symptoms, changes, answers, mendedCause, revision }: SymptomCaseDto): Promise<SymptomCaseView> {
    await this.crafts.find(this.db, craftId);
    const now = this.clock.now();
    await this.db.transaction(async (tx) => {
      const known = (await this.cases.ofCraft(tx, craftId, LIST_MAX)).find((r) => r.id === id);
      const columns = { symptoms, changes: changes ?? null, answers, mendedCause: mendedCause ?? null, closedAt: mendedCause ? now : null };
      if (known) await this.cases.revise(tx, id, revision, columns, now);
      else if (revision !== 0) throw new RevisionConflictError('case', revision, 0);
      else await this.cases.add(tx, { ...this.rows.newRow(id), craftId, ...columns });
      if (mendedCause) await this.ledger.record(tx, craftId, { kind: 'faultFound', craftId, caseId: id, cause: mendedCause });
    });
    return toCaseView(await this.cases.find(this.db, id), await this.factsOf(craftId), await this.recentOf(craftId));
  }

  async drop(id: string): Promise<void> {
    await this.cases.remove(this.db, id, this.clock.now());
  }

  /** What the record knows of a craft that may stand behind a symptom. */
  private async factsOf(craftId: string): Promise<RecordFact[]> {
    const craft = await this.crafts.find(this.db, craftId);
    const on = await this.pieces.onCraft(this.db, craftId, LIST_MAX);
    const motors = (await this.parts.listMotors()).filter((m) => m.craftId === craftId);
    const models = await this.models.byIds(this.db, [...new Set(on.map((p) => p.piece.propModelId))]);
    const lives = [...(await this.lives.of(on, new Map(models.map((m) => [m.id, m])), null)).values()];
    const facts: Record<RecordFact, boolean> = {
      untrued: on.some(({ life }) => !life.isTruedStatic && !life.isTruedDynamic),
      lifeOver: lives.some((l) => l.usedRatio >= SPENT),
      layoutUnseen: await this.isLayoutUnseen(craftId),
      struckPiece: lives.some((l) => l.strikeCount > 0),
      motorStruck: motors.some((m) => m.strikeCount > 0),
      motorGritty: motors.some((m) => m.bearing === 'gritty' || m.bearing === 'dry'),
      packOverDrawn: await this.isPackOverDrawn(craftId),
      mixedModels: new Set(on.map((p) => p.piece.propModelId)).size > 1,
      overCurrent: motors.some((m) => m.overLimitCount > 0),
      highHover: await this.doesHoverHigh(craft, on[0]?.piece.propModelId ?? craft.referencePropModelId),
    };
    return (Object.keys(facts) as RecordFact[]).filter((fact) => facts[fact]);
  }

  /** Nobody signed for the arrangement since a piece was put on. */
  private async isLayoutUnseen(craftId: string): Promise<boolean> {
    const rows = await this.log.ofCraft(this.db, craftId, new Date(0), this.clock.now(), LIST_MAX);
    const newest = rows.find((r) => r.fact.kind === 'pieceFitted' || r.fact.kind === 'fittingConfirmed');
    return newest?.fact.kind === 'pieceFitted';
  }

  /** A pack of its last flights was over-drawn on the stand. */
  private async isPackOverDrawn(craftId: string): Promise<boolean> {
    const ids = new Set((await this.flights.ofCraft(this.db, craftId, RECENT_FLIGHTS)).flatMap((f) => f.packPieceId ?? []));
    for (const id of ids) if ((await this.runs.ofPack(await this.parts.findPack(id))).record.overDrawnCount > 0) return true;
    return false;
  }

  private async doesHoverHigh(craft: CraftRow, propModelId: string | null): Promise<boolean> {
    if (propModelId === null) return false;
    const { figures } = evaluateCandidate(this.bench.of(craft), { ...modelGeometry(await this.models.find(this.db, propModelId)), massKg: null });
    return figures.carryThrottleRatio > HIGH_HOVER;
  }

  /** What the record says was changed lately, the newest first. */
  private async recentOf(craftId: string): Promise<RecentChangeView[]> {
    const now = this.clock.now();
    const rows = await this.log.ofCraft(this.db, craftId, new Date(now.getTime() - RECENT_DAYS * DAY_MS), now, LIST_MAX);
    return rows.flatMap((row) => toChange(row) ?? []).slice(0, RECENT_MOST);
  }
}

const CHANGES: Partial<Record<StoredFact['kind'], ChangeName>> = { pieceFitted: 'props', pieceRemoved: 'props', pieceDressed: 'props', struck: 'strike', gainsFlown: 'gains', gainSheetOpened: 'gains' };

function toChange(row: LogRow): RecentChangeView | null {
  const change = CHANGES[row.fact.kind];
  return change ? { ...toLogEntry(row), change } : null;
}

function toCaseView(row: SymptomCaseRow, facts: RecordFact[], recent: RecentChangeView[]): SymptomCaseView {
  const { craftId, symptoms, changes, answers, mendedCause, createdAt } = row;
  return { ...toRowView(row), craftId, openedAt: createdAt.toISOString(), symptoms, changes, answers, mendedCause, facts, recent, diagnosis: diagnose({ symptoms, changes, facts, answers }) };
}
