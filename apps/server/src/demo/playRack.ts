import type { ArmStateDto, CraftView, LevelObservationDto, PieceView } from '@zivvo/contract';
import {
  fromPolar,
  isRetiring,
  labelSpinOf,
  layoutKind,
  lookAtShaft,
  seededRandom,
  sideThrustFor,
  simulatedDelivery,
  tapeVector,
  type DeliveredPiece,
  type Rotor,
  type TapeJob,
} from '@zivvo/core';
import { NO_ACTION } from '../rack/piece.service.ts';
import type { Diary } from './diary.ts';
import { SEED, type Shed } from './shed.ts';
import { at, demoDeliveries, makerSpreads, shortSet, signedCrafts, trial, type DemoDelivery } from './tarnholm.ts';

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;
const RIG = 'Glass knife edges';
/** A person gives up on a piece after so many observations. */
const MOST_LOOKS = 12;

/** Deliveries come and are checked in, pieces are balanced, fitted and signed for; one model flies on trial. */
export function playRack(diary: Diary, shed: Shed): void {
  const rack = new Rack(shed);
  for (const delivery of demoDeliveries) {
    const startMs = at(delivery.daysAgo, 10);
    diary.plan(startMs, () => rack.deliver(delivery));
    for (let i = 0; i < delivery.checkedIn; i++)
      diary.plan(startMs + (2 * i + 3) * MINUTE_MS, () => rack.checkIn(delivery, i));
    const { fittedOn, setName } = delivery;
    if (fittedOn === undefined || setName === undefined) continue;
    const firstMs = at(delivery.daysAgo - 1, 13);
    diary.plan(firstMs, async () => {
      await shed.sets.create({ id: shed.id(`set ${setName}`), name: setName, craftId: shed.id(fittedOn) });
      const { rotors } = await shed.craft(fittedOn);
      rotors.forEach((rotor, i) =>
        diary.plan(firstMs + 12 * i * MINUTE_MS, () => rack.fitFirst(delivery, fittedOn, setName, rotor)),
      );
    });
    // One balanced spare of each hand waits beside the set.
    diary.plan(firstMs + HOUR_MS, () => rack.trueSpares(delivery));
    if (signedCrafts.includes(fittedOn)) diary.plan(firstMs + 2 * HOUR_MS, () => rack.seeAndSign(fittedOn));
  }
  planTrial(diary, rack);
}

/**
 * Another model flies for some days in place of the usual set, which then goes back on; one piece of it is thrown away.
 */
function planTrial(diary: Diary, rack: Rack): void {
  const [startMs, endMs] = [at(trial.fromDaysAgo, 16), at(trial.toDaysAgo, 16)];
  diary.plan(startMs - 2 * HOUR_MS, () => rack.gatherShortSet());
  diary.plan(startMs - HOUR_MS, () => rack.trueTrial());
  diary.plan(startMs, () => rack.startTrial());
  diary.plan(endMs, () => rack.endTrial());
  diary.plan(endMs + HOUR_MS, () => rack.throwLost());
}

/** What whoever works at the rack knows of its pieces. */
class Rack {
  /** Pieces of each delivery in the order of their tags, and what each hides until it lies on the shaft. */
  private readonly pieces = new Map<string, PieceView[]>();
  private readonly hidden = new Map<string, DeliveredPiece>();
  /** Pieces whose heavy side no tape mends. */
  private readonly sentBack = new Set<string>();
  private usual: PieceView[] = [];
  private readonly hand = seededRandom(`${SEED}/shaft`);

  constructor(private readonly shed: Shed) {}

  async deliver({ modelKey, counts, location }: DemoDelivery): Promise<void> {
    const {
      id: propModelId,
      makerName,
      measuredMassKg,
      measuredDiameterM,
      diameterM,
    } = await this.shed.model(modelKey);
    const { pieces } = await this.shed.batches.add({
      id: this.shed.id(`batch ${modelKey}`),
      propModelId,
      cwCount: counts[0],
      ccwCount: counts[1],
      eitherCount: 0,
      resolutionKg: 0.00001,
      location,
      note: null,
    });
    this.pieces.set(modelKey, pieces);
    const found = simulatedDelivery(
      measuredMassKg!,
      measuredDiameterM ?? diameterM,
      makerSpreads[makerName!]!,
      pieces.length,
      `${SEED}/delivery/${modelKey}`,
    );
    pieces.forEach((piece, i) => this.hidden.set(piece.id, found[i]!));
  }

  async checkIn({ modelKey, boreFit }: DemoDelivery, i: number): Promise<void> {
    const { id } = this.pieces.get(modelKey)![i]!;
    const { massKg, diameterM, look } = this.hidden.get(id)!;
    const { condition } = await this.shed.pieces.measure(id, {
      massKg: round(massKg, 1e-5),
      diameterM: round(diameterM, 1e-4),
      boreFit,
      look,
    });
    if (isRetiring(condition.outcome))
      await this.shed.pieces.act(id, { ...NO_ACTION, action: 'retire', as: 'display', reason: `${look} from the bag` });
  }

  /** The next free piece of the right hand is balanced and goes onto an arm. */
  async fitFirst({ modelKey }: DemoDelivery, craftName: string, setName: string, rotor: Rotor): Promise<void> {
    const craft = await this.shed.craft(craftName);
    const piece = await this.trueNext(modelKey, craft, labelSpinOf(rotor.spin, layoutKind(craft.layout)));
    if (!piece) return;
    await this.shed.pieces.act(piece.id, { ...NO_ACTION, action: 'joinSet', setId: this.shed.id(`set ${setName}`) });
    await this.put(craft, rotor, piece, null);
  }

  async trueSpares({ modelKey, fittedOn }: DemoDelivery): Promise<void> {
    const craft = await this.shed.craft(fittedOn!);
    for (const hand of ['cw', 'ccw'] as const) await this.trueNext(modelKey, craft, hand);
  }

  /** Every spin is seen by a strip of tape, every piece looked at, and somebody signs. */
  async seeAndSign(craftName: string): Promise<void> {
    const { id, rotors, kind } = await this.shed.craft(craftName);
    const { revision } = await this.shed.fit.find(id);
    const arms = rotors.map(({ place, level, spin }): ArmStateDto => ({
      place,
      level,
      seenSpin: spin,
      spinBy: 'strip',
      outputName: null,
      hand: null,
      isLabelForward: true,
      thread: null,
      checks: [{ what: 'seated' }, { what: 'locked' }, { what: 'noDamage' }],
    }));
    await this.shed.fit.update(id, {
      arms,
      isHanging: false,
      sideThrust: kind === 'plane' ? sideThrustFor(rotors.map((r) => r.spin)) : null,
      note: null,
      revision,
    });
    await this.shed.fit.confirm(id, { note: null });
  }

  async gatherShortSet(): Promise<void> {
    const id = this.shed.id(`set ${shortSet.name}`);
    await this.shed.sets.create({ id, name: shortSet.name, craftId: this.shed.id(shortSet.craft) });
    for (const piece of await this.shortPieces())
      await this.shed.pieces.act(piece.id, { ...NO_ACTION, action: 'joinSet', setId: id });
  }

  async trueTrial(): Promise<void> {
    const craft = await this.shed.craft(trial.craft);
    for (const piece of await this.trialPieces(craft)) await this.balanceJob(piece, craft);
  }

  async startTrial(): Promise<void> {
    const craft = await this.shed.craft(trial.craft);
    this.usual = await this.shed.pieces.onCraft(craft.id);
    await this.swapAll(craft, this.usual, await this.trialPieces(craft));
  }

  async endTrial(): Promise<void> {
    const craft = await this.shed.craft(trial.craft);
    await this.swapAll(craft, await this.shed.pieces.onCraft(craft.id), this.usual);
  }

  async throwLost(): Promise<void> {
    const kept = (await this.shortPieces()).map((p) => p.id);
    for (const { id } of await this.trialPieces(await this.shed.craft(trial.craft)))
      if (!kept.includes(id))
        await this.shed.pieces.act(id, { ...NO_ACTION, action: 'retire', as: 'scrapped', reason: trial.lost });
  }

  /** One model comes off every arm, another goes on, and the craft is signed for again. */
  private async swapAll(craft: CraftView, off: readonly PieceView[], on: readonly PieceView[]): Promise<void> {
    for (const { id } of off) await this.shed.pieces.act(id, { ...NO_ACTION, action: 'remove' });
    const free = [...on];
    for (const rotor of craft.rotors) {
      const hand = labelSpinOf(rotor.spin, layoutKind(craft.layout));
      const known = free.findIndex((p) => (p.place ?? rotor.place) === rotor.place && p.hand === hand);
      await this.put(craft, rotor, free.splice(known, 1)[0]!, null);
    }
    await this.seeAndSign(craft.name);
  }

  private async put(
    { id }: CraftView,
    { place, level }: Rotor,
    { tag }: PieceView,
    oldTag: string | null,
  ): Promise<void> {
    await this.shed.moves.fit(id, { place, level, tag, oldTag, oldMarkSha256: null, overrideReason: null });
  }

  /** Trues free pieces of a hand until one is good; null where none is. */
  private async trueNext(modelKey: string, craft: CraftView, hand: PieceView['hand']): Promise<PieceView | null> {
    for (const piece of await this.goodOf(modelKey))
      if (
        piece.hand === hand &&
        piece.state === 'checkedIn' &&
        !this.sentBack.has(piece.id) &&
        (await this.balanceJob(piece, craft))
      )
        return piece;
    return null;
  }

  /** Looks at a piece on the shaft and tapes it as Zivvo says, until it stays or goes back. */
  private async balanceJob({ id: pieceId }: PieceView, craft: CraftView): Promise<boolean> {
    const id = this.shed.id(`true-up ${pieceId}`);
    let job = await this.shed.balanceJobs.start({
      id,
      pieceId,
      rigId: this.shed.id(`rig ${RIG}`),
      craftId: craft.id,
      isLookedAt: true,
    });
    for (let i = 0; i < MOST_LOOKS && job.result!.verdict === 'open'; i++) {
      const tape = job.result!.next ?? job.result!.places.map(() => 0);
      const look = { tape, ...this.lookAt(this.hidden.get(pieceId)!, tape, job.result!.job) };
      job = await this.shed.balanceJobs.change(id, {
        target: job.target,
        observations: [...job.observations, look],
        swings: [],
        heavyDegrees: null,
        bladeMomentsKgM: [],
        corrections: [],
        singleBlade: null,
        runs: [],
        runSpeedRpm: null,
        note: null,
        revision: job.revision,
      });
    }
    const isTrue = job.result!.verdict === 'trued';
    await this.shed.balanceJobs.finish(id, { as: isTrue ? 'trued' : 'sentBack', note: null });
    if (!isTrue) this.sentBack.add(pieceId);
    return isTrue;
  }

  private lookAt(
    { unbalanceKgM, heavyDegrees }: DeliveredPiece,
    tape: readonly number[],
    shaft: TapeJob,
  ): Pick<LevelObservationDto, 'kind' | 'downDegrees' | 'fallS'> {
    const seen = lookAtShaft(
      { unbalance: fromPolar(unbalanceKgM, heavyDegrees), ...shaft },
      tapeVector(tape, shaft),
      this.hand,
    );
    return seen.kind === 'stays'
      ? { kind: 'stays', downDegrees: null, fallS: null }
      : { kind: 'falls', downDegrees: Math.round(seen.downDegrees) % 360, fallS: round(seen.fallS, 0.1) };
  }

  /** Pieces of a delivery that were checked in and not thrown out unflown, as they are now. */
  private async goodOf(modelKey: string): Promise<PieceView[]> {
    const batch = await this.shed.batches.find(this.shed.id(`batch ${modelKey}`));
    return batch.pieces.filter((p) => p.look !== null && p.retiredAs !== 'display');
  }

  private async shortPieces(): Promise<PieceView[]> {
    const good = await this.goodOf(shortSet.modelKey);
    return [
      ...good.filter((p) => p.hand === 'cw').slice(0, shortSet.cwCount),
      ...good.filter((p) => p.hand === 'ccw').slice(0, shortSet.ccwCount),
    ];
  }

  /** A piece of the trial's model for every arm. */
  private async trialPieces({ rotors, layout }: CraftView): Promise<PieceView[]> {
    const good = await this.goodOf(trial.modelKey);
    return rotors.map(
      (rotor) =>
        good.splice(
          good.findIndex((p) => p.hand === labelSpinOf(rotor.spin, layoutKind(layout))),
          1,
        )[0]!,
    );
  }
}

function round(value: number, step: number): number {
  return Math.round(value / step) * step;
}
