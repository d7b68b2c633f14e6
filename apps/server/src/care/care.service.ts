import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, lookSides, type CareSettingDto, type CareView, type CreateFlightDto, type CreateWalkaroundDto, type PropLookDto, type StrikeDto, type WalkaroundView } from '@zivvo/contract';
import { careRemarks, changesLeft, CoreError, handsNeeded, judgePiece, layoutKind, modelGeometry, seasonSpares, strikeSeverity, temperatureAdvice, worstOutcome, type PropMaterial } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { NotFoundError, RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { toPieceView } from '../piece/piece.mapper.ts';
import { PieceRepository, type LivingPiece } from '../piece/piece.repository.ts';
import { NO_ACTION, PieceService } from '../piece/piece.service.ts';
import { PropModelRepository, type PropModelRow } from '../propModel/propModel.repository.ts';
import { PartService } from '../workshop/part.service.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { AlertService, grounds } from './alert.service.ts';
import { HalfLookError, ImpossibleFindingError, NoSuchArmError } from './care.errors.ts';
import { toAlertView, toFlightView, toStrikeView, toWalkaroundView } from './care.mapper.ts';
import { FlightRepository, LogRepository, openOutcome, SettingRepository, StrikeRepository, WalkaroundRepository, type SettingRow } from './care.repository.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { Conditions } from './conditions.service.ts';
import { PieceLives } from './pieceLives.service.ts';
import type { StoredLook } from './care.table.ts';

const DAY_MS = 86_400_000;
/** What the log of the last quarter used up is laid over the next one. */
const SEASON_DAYS = 90;
const RECENT_FLIGHTS = 20;

@Injectable()
export class CareService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly settings: SettingRepository,
    private readonly walkarounds: WalkaroundRepository,
    private readonly flights: FlightRepository,
    private readonly strikes: StrikeRepository,
    private readonly log: LogRepository,
    private readonly alerts: AlertService,
    private readonly crafts: CraftRepository,
    private readonly bench: RotorBench,
    private readonly models: PropModelRepository,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceLives,
    private readonly conditions: Conditions,
    private readonly ready: ReadyService,
    private readonly actions: PieceService,
    private readonly parts: PartService,
    private readonly workshop: WorkshopService,
    private readonly ledger: EventLedger,
  ) {}

  /** Everything that Care shows of one craft. */
  async find(craftId: string): Promise<CareView> {
    const craft = await this.crafts.find(this.db, craftId);
    const { ready, state, look } = (await this.ready.of([craft])).get(craftId)!;
    const { on } = state;
    const setting = await this.conditions.settingOf(this.db, craftId);
    const revision = (await this.settings.ofCraft(this.db, craftId))?.revision ?? 0;
    const last = await this.walkarounds.last(this.db, craftId);
    const alerts = (await this.alerts.inForce(this.db, [...new Set(on.map((p) => p.piece.propModelId))])).filter((a) => on.some(({ piece }) => grounds(a, piece)));
    const lives = await this.lives.of(on, new Map(state.models.map((m) => [m.id, m])), craftId);
    const strikes = await this.strikes.ofCraft(this.db, craftId, RECENT_FLIGHTS);
    const motorsToFeel = (await this.parts.listMotors()).filter((m) => m.craftId === craftId && m.strikeCount > 0 && m.bearing === null);
    const looked = await this.walkarounds.newestLooks(this.db, on.map((p) => p.piece.id));
    const pieces = on.map((living) => ({ piece: toPieceView(living), life: lives.get(living.piece.id)!, openOutcome: openOutcome(looked.get(living.piece.id)?.fact.outcome), alert: alerts.find((a) => grounds(a, living.piece))?.reason ?? null }));
    const { allS } = await this.flights.flownS(this.db, craftId, this.clock.now());
    const model = state.models[0] ?? null;
    const reasons = careRemarks({
      pieces: pieces.map(({ piece, life }) => ({ tag: piece.tag, life })), lookSecondsPerProp: look && look.durationS / Math.max(1, look.looks.length),
      changesLeft: await this.changesLeft(craft, model), temperature: await this.temperature(model),
    });
    return {
      craftId, setting: { policy: setting.policy, isFolding: setting.isFolding, revision }, ready, reasons, pieces, lastWalkaround: last && toWalkaroundView(last),
      flights: (await this.flights.ofCraft(this.db, craftId, RECENT_FLIGHTS)).map(toFlightView), strikes: strikes.map(toStrikeView), motorsToFeel, alerts: alerts.map(toAlertView), flownS: allS, season: await this.season(craft, model),
    };
  }

  async set(craftId: string, { policy, isFolding, revision }: CareSettingDto): Promise<CareView> {
    await this.crafts.find(this.db, craftId);
    const row = await this.settings.ofCraft(this.db, craftId);
    if (row) await this.settings.revise(this.db, row.id, revision, { policy, isFolding }, this.clock.now());
    else if (revision !== 0) throw new RevisionConflictError('care setting', revision, 0);
    else await this.settings.add(this.db, { ...this.rows.newRow(this.rows.makeId()), craftId, policy, isFolding });
    return this.find(craftId);
  }

  /** A look over the craft: each prop is judged, what must be mended or thrown out waits until it is. */
  async walkRound(craftId: string, dto: CreateWalkaroundDto): Promise<WalkaroundView> {
    const craft = await this.crafts.find(this.db, craftId);
    const setting = await this.conditions.settingOf(this.db, craftId);
    requireWhole(craft, dto.looks);
    await this.db.transaction(async (tx) => {
      const seen = await this.seenBefore(tx, craft);
      const judged: StoredLook[] = [];
      for (const look of dto.looks) judged.push(await this.judge(tx, seen, setting, look));
      const outcome = worstOutcome(judged.map((l) => l.outcome));
      const looks = outcome === 'retireSet' ? judged.map((l) => ({ ...l, outcome })) : judged;
      const { policy, isFolding } = setting;
      const isNew = await this.walkarounds.add(tx, { ...this.rows.newRow(dto.id), craftId, lookedAt: this.clock.now(), durationS: dto.durationS, policy, isFolding, outcome, looks, note: dto.note ?? null });
      if (!isNew) return;
      await this.ledger.record(tx, craftId, { kind: 'walkedRound', craftId, walkaroundId: dto.id, outcome, durationS: dto.durationS, propCount: looks.length, findingCount: looks.reduce((sum, l) => sum + l.findings.length, 0) });
      for (const { pieceId, findings, outcome: own, isTruingVoid } of looks) if (pieceId !== null) await this.ledger.record(tx, pieceId, { kind: 'pieceLooked', pieceId, craftId, outcome: own, isTruingVoid, hasNick: findings.some((f) => f.what === 'nick'), findings });
    });
    return toWalkaroundView((await this.walkarounds.byId(this.db, dto.id))!);
  }

  /** What a look starts from: the pieces that are on, what they are made of, and when each was looked at last. */
  private async seenBefore(tx: DbOrTx, { id, referencePropModelId }: CraftRow) {
    const on = await this.pieces.onCraft(tx, id, LIST_MAX);
    const modelIds = new Set(on.map((p) => p.piece.propModelId).concat(referencePropModelId ?? []));
    const materials = new Map((await this.models.byIds(tx, [...modelIds])).map((m) => [m.id, m.material]));
    return { on, materials, referencePropModelId, newest: await this.walkarounds.newestLooks(tx, on.map((p) => p.piece.id)) };
  }

  private async judge(tx: DbOrTx, before: SeenBefore, { policy, isFolding }: Pick<SettingRow, 'policy' | 'isFolding'>, look: PropLookDto): Promise<StoredLook> {
    const on = before.on.find((p) => p.life.place === look.place && p.life.level === look.level);
    const material: PropMaterial = before.materials.get(on?.piece.propModelId ?? before.referencePropModelId ?? '') ?? 'unknown';
    const strike = on ? await this.conditions.strikeAfter(tx, on.piece.id, before.newest.get(on.piece.id)?.sequence ?? 0) : 'none';
    try {
      const { outcome, isTruingVoid } = judgePiece({ material, isFolding, strike }, look.findings, policy);
      return { place: look.place, level: look.level, seen: look.seen, findings: look.findings, photoSha256: look.photoSha256 ?? null, pieceId: on?.piece.id ?? null, tag: on?.piece.tag ?? null, material, outcome, isTruingVoid, strike };
    } catch (error) {
      if (!(error instanceof CoreError) || error.code !== 'noSuchFinding') throw error;
      throw new ImpossibleFindingError(String(error.details.place), String(error.details.what), String(error.details.allowed));
    }
  }

  /** The edge was dressed and the piece cleaned: its truing is void where mass went away, and the look is answered. */
  async mend(craftId: string, pieceId: string): Promise<CareView> {
    await this.db.transaction(async (tx) => {
      const look = (await this.walkarounds.newestLooks(tx, [pieceId])).get(pieceId);
      if (look?.fact.outcome !== 'clean') throw new NotFoundError('open finding', pieceId);
      if (look.fact.isTruingVoid) await this.actions.record(tx, await this.pieces.findLiving(tx, pieceId), { ...NO_ACTION, action: 'dress' });
      await this.ledger.record(tx, pieceId, { kind: 'pieceLooked', pieceId, craftId, outcome: 'fly', isTruingVoid: false, hasNick: false, findings: [] });
    });
    return this.find(craftId);
  }

  async fly(craftId: string, dto: CreateFlightDto): Promise<CareView> {
    await this.logFlight(craftId, dto);
    return this.find(craftId);
  }

  /** A flight: life counts for every piece that was on, and strikes ask about their motors. */
  async logFlight(craftId: string, dto: CreateFlightDto): Promise<void> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) => {
      const now = this.clock.now();
      const isNew = await this.flights.add(tx, { ...this.rows.newRow(dto.id), craftId, flownAt: now, durationS: dto.durationS, packPieceId: dto.packPieceId ?? null, note: dto.note ?? null });
      if (!isNew) return;
      await this.ledger.record(tx, craftId, { kind: 'flown', craftId, flightId: dto.id, durationS: dto.durationS });
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const speeds = new Map<string, number>();
      for (const id of new Set(on.map((p) => p.piece.propModelId))) speeds.set(id, this.bench.wearSpeedRpm(craft, modelGeometry(await this.models.find(tx, id))));
      await this.flights.addPieces(tx, on.map(({ piece }) => ({ flightId: dto.id, pieceId: piece.id, speedRpm: speeds.get(piece.propModelId)! })));
      for (const strike of dto.strikes) await this.note(tx, craft, on, strike, dto.id);
      await this.parts.noteHours(tx, craftId, dto.durationS / 3600);
    });
  }

  async strike(craftId: string, dto: StrikeDto): Promise<CareView> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) => this.note(tx, craft, await this.pieces.onCraft(tx, craftId, LIST_MAX), dto, null));
    return this.find(craftId);
  }

  private async note(tx: DbOrTx, craft: CraftRow, on: readonly LivingPiece[], { id, thing, throttleRatio, isCrash, arms, note }: StrikeDto, flightId: string | null): Promise<void> {
    for (const arm of arms) if (!craft.rotors.some((r) => r.place === arm.place && r.level === arm.level)) throw new NoSuchArmError(craft.name, arm.place);
    const severity = strikeSeverity(thing, throttleRatio);
    const isNew = await this.strikes.add(tx, { ...this.rows.newRow(id), craftId: craft.id, struckAt: this.clock.now(), flightId, thing, throttleRatio, severity, isCrash, arms, note: note ?? null });
    if (!isNew) return;
    await this.ledger.record(tx, craft.id, { kind: 'struck', craftId: craft.id, strikeId: id, thing, throttleRatio, severity, isCrash });
    const struck = on.filter((p) => arms.some((a) => a.place === p.life.place && a.level === p.life.level));
    await this.strikes.addPieces(tx, struck.map(({ piece }) => ({ strikeId: id, pieceId: piece.id })));
    for (const { piece } of struck) await this.ledger.record(tx, piece.id, { kind: 'pieceStruck', pieceId: piece.id, craftId: craft.id, thing, severity });
    await this.parts.noteStrike(tx, craft.id, arms.map((a) => a.place));
  }

  /** A flight that was typed wrongly goes out with the strikes that were told with it; struck motors stay to be felt. */
  async removeFlight(id: string): Promise<void> {
    await this.db.transaction(async (tx) => {
      const { craftId, durationS } = await this.flights.find(tx, id);
      await this.flights.remove(tx, id, this.clock.now());
      await this.strikes.markOfFlight(tx, id, this.clock.now());
      await this.parts.noteHours(tx, craftId, -durationS / 3600);
      await this.ledger.record(tx, craftId, { kind: 'flightRemoved', craftId, flightId: id });
    });
  }

  async restoreFlight(craftId: string, id: string): Promise<CareView> {
    await this.db.transaction(async (tx) => {
      if (await this.flights.isThere(tx, id)) return;
      await this.flights.restore(tx, id);
      await this.strikes.markOfFlight(tx, id, null);
      const row = await this.flights.find(tx, id);
      await this.parts.noteHours(tx, row.craftId, row.durationS / 3600);
      await this.ledger.record(tx, row.craftId, { kind: 'flightRestored', craftId: row.craftId, flightId: id });
    });
    return this.find(craftId);
  }

  private async changesLeft(craft: CraftRow, model: PropModelRow | null): Promise<{ count: number; firstOut: 'cw' | 'ccw' | null } | null> {
    if (!model) return null;
    const stock = (await this.pieces.available(this.db)).find((a) => a.propModelId === model.id) ?? { cwCount: 0, ccwCount: 0, eitherCount: 0 };
    return changesLeft(stock, handsNeeded(craft.rotors, layoutKind(craft.layout)));
  }

  private async temperature(model: PropModelRow | null) {
    const air = await this.workshop.currentAir();
    return model && air ? temperatureAdvice(model.material, air.temperatureC) : [];
  }

  private async season(craft: CraftRow, model: PropModelRow | null): Promise<CareView['season']> {
    if (!model) return { days: SEASON_DAYS, flightCount: 0, logDays: 0, hands: [] };
    const since = new Date(this.clock.nowMs() - SEASON_DAYS * DAY_MS);
    const retired = await this.log.retiredSince(this.db, model.id, since);
    const stock = (await this.pieces.available(this.db)).find((a) => a.propModelId === model.id);
    const { firstAt, recentCount: flightCount } = await this.flights.flownS(this.db, craft.id, since);
    const daysCount = firstAt === null ? 1 : Math.min(SEASON_DAYS, Math.max(1, (this.clock.nowMs() - firstAt.getTime()) / DAY_MS));
    const needed = handsNeeded(craft.rotors, layoutKind(craft.layout));
    const hands = (['cw', 'ccw'] as const).filter((hand) => needed[`${hand}Count`] > 0).map((hand) => ({ hand, spares: seasonSpares({ daysCount, flightCount, usedUpCount: retired.get(hand) ?? 0, onRackCount: stock?.[`${hand}Count`] ?? 0 }, SEASON_DAYS) }));
    return { days: SEASON_DAYS, flightCount, logDays: firstAt === null ? 0 : Math.floor(daysCount), hands };
  }
}

type SeenBefore = Awaited<ReturnType<CareService['seenBefore']>>;

/** A look is over the whole craft: every arm once, every side of it. */
function requireWhole({ name, rotors }: CraftRow, looks: readonly PropLookDto[]): void {
  for (const look of looks) if (!rotors.some((r) => r.place === look.place && r.level === look.level)) throw new NoSuchArmError(name, look.place);
  const unseen = rotors.filter((r) => !looks.some((l) => l.place === r.place && l.level === r.level && lookSides.every((side) => l.seen.includes(side))));
  if (unseen.length > 0 || looks.length !== rotors.length) throw new HalfLookError(name, unseen.length);
}
