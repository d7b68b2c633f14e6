import type { ArmStateDto } from '@zivvo/contract';
import { labelSpinOf, layoutKind, pieceTag, sideThrustFor, simulatedDelivery, type BoreFit, type DeliveredPiece, type Layout, type Look, type PieceHand, type Rotor, type SideThrust } from '@zivvo/core';
import type { StoredFact } from '../event/event.facts.ts';
import { at, demoDeliveries, demoMotors, demoSpares, makerSpreads, shortSet, signedCrafts, trial, type DemoDelivery } from './tarnholm.ts';

/** A model as deliveries need it. */
export interface RackModel {
  id: string;
  key: string;
  maker: string;
  massKg: number;
  diameterM: number;
  colour: string | null;
}

export interface RackCraft {
  id: string;
  name: string;
  layout: Layout;
  rotors: Rotor[];
}

export interface DemoPiece {
  id: string;
  serialNumber: number;
  tag: string;
  propModelId: string;
  batchId: string;
  hand: PieceHand;
  massKg: number | null;
  diameterM: number | null;
  boreFit: BoreFit | null;
  look: Look | null;
  colour: string | null;
  atMs: number;
}

export interface DemoRack {
  batches: { id: string; propModelId: string; resolutionKg: number; location: string; atMs: number }[];
  pieces: DemoPiece[];
  /** What each piece hides, for whoever balances it on a simulated shaft. */
  hidden: Map<string, DeliveredPiece>;
  sets: { id: string; name: string; craftId: string; atMs: number }[];
  motors: { id: string; tag: string; craftId: string; place: Rotor['place']; hours: number; overLimitCount: number; strikeCount: number; bearing: 'smooth' | 'dry' | 'gritty'; shaftRunOutM: number; atMs: number }[];
  /** What was seen on each craft. */
  fittings: { id: string; craftId: string; arms: ArmStateDto[]; isHanging: boolean; sideThrust: SideThrust | null; note: null; atMs: number }[];
  spares: { id: string; name: string; count: number; perPieceCount: number; atMs: number }[];
  facts: { subjectId: string; fact: StoredFact; atMs: number }[];
}

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;
/** Looks with which a careful bench throws a piece out unflown. */
const THROWN_OUT: readonly Look[] = ['warped', 'void'];

/** Deliveries, pieces, sets, motors and screws of the shed, and how they came there. */
export function demoRack(seed: string, ids: (name: string) => string, models: readonly RackModel[], crafts: readonly RackCraft[]): DemoRack {
  const rack: DemoRack = { batches: [], pieces: [], hidden: new Map(), sets: [], motors: [], fittings: [], spares: [], facts: [] };
  for (const delivery of demoDeliveries) addDelivery(rack, seed, ids, delivery, models.find((m) => m.key === delivery.modelKey)!, crafts);
  addShortSet(rack, ids, models.find((m) => m.key === shortSet.modelKey)!, crafts.find((c) => c.name === shortSet.craft)!);
  addTrial(rack, models.find((m) => m.key === trial.modelKey)!, crafts.find((c) => c.name === trial.craft)!);
  for (const { tag, craft, place, fromDaysAgo, strikeCount, overLimitCount, bearing, runOutMm } of demoMotors) {
    const row = { id: ids(`motor ${tag}`), tag, craftId: crafts.find((c) => c.name === craft)!.id, place, hours: 0, overLimitCount, strikeCount, bearing, shaftRunOutM: runOutMm / 1000, atMs: at(fromDaysAgo, 11) };
    rack.motors.push(row);
    rack.facts.push({ subjectId: row.id, atMs: row.atMs, fact: { kind: 'partChanged', part: 'motor', partId: row.id, change: 'added', values: { tag, hours: 0, strikeCount: 0, bearing: 'smooth' } } });
  }
  for (const spare of demoSpares) rack.spares.push({ id: ids(`spare ${spare.name}`), ...spare, atMs: at(60, 11) });
  return rack;
}

function addDelivery(rack: DemoRack, seed: string, ids: (name: string) => string, delivery: DemoDelivery, model: RackModel, crafts: readonly RackCraft[]): void {
  const { counts, daysAgo, location, boreFit, checkedIn } = delivery;
  const startMs = at(daysAgo, 10);
  const batchId = ids(`batch ${delivery.modelKey}`);
  rack.batches.push({ id: batchId, propModelId: model.id, resolutionKg: 0.00001, location, atMs: startMs });
  const found = simulatedDelivery(model.massKg, model.diameterM, makerSpreads[model.maker]!, counts[0] + counts[1], `${seed}/delivery/${delivery.modelKey}`);
  const pieces = found.map((one, i): DemoPiece => {
    const isDone = i < checkedIn;
    const serialNumber = rack.pieces.length + i;
    const piece: DemoPiece = {
      id: ids(`piece ${serialNumber}`), serialNumber, tag: pieceTag(serialNumber), propModelId: model.id, batchId, hand: i < counts[0] ? 'cw' : 'ccw', colour: model.colour,
      massKg: isDone ? round(one.massKg, 1e-5) : null, diameterM: isDone ? round(one.diameterM, 1e-4) : null, boreFit: isDone ? boreFit : null, look: isDone ? one.look : null, atMs: startMs,
    };
    rack.hidden.set(piece.id, one);
    return piece;
  });
  rack.pieces.push(...pieces);
  pieces.forEach((piece, i) => {
    const atMs = startMs + (i + 1) * 2 * MINUTE_MS;
    const { id: pieceId, massKg, diameterM, look } = piece;
    rack.facts.push({ subjectId: pieceId, atMs, fact: { kind: 'pieceAdded', pieceId, location } });
    if (look === null) return;
    rack.facts.push({ subjectId: pieceId, atMs: atMs + MINUTE_MS, fact: { kind: 'pieceMeasured', pieceId, massKg, diameterM, boreFit: piece.boreFit, look } });
    rack.facts.push({ subjectId: pieceId, atMs: atMs + MINUTE_MS, fact: { kind: 'pieceCheckedIn', pieceId, reason: null } });
    if (THROWN_OUT.includes(look)) rack.facts.push({ subjectId: pieceId, atMs: atMs + 2 * MINUTE_MS, fact: { kind: 'pieceRetired', pieceId, as: 'display', reason: `${look} from the bag` } });
  });
  const craft = crafts.find((c) => c.name === delivery.fittedOn);
  if (craft && delivery.setName !== undefined) fitFirst(rack, ids, delivery.setName, craft, pieces, at(daysAgo - 1, 13));
}

/** Trues and fits the first good pieces of each hand as a set; on most craft every spin is seen then, and signed for. */
function fitFirst(rack: DemoRack, ids: (name: string) => string, name: string, craft: RackCraft, pieces: readonly DemoPiece[], atMs: number): void {
  const setId = ids(`set ${name}`);
  rack.sets.push({ id: setId, name, craftId: craft.id, atMs });
  const free = pieces.filter((p) => p.look !== null && !THROWN_OUT.includes(p.look));
  const used = new Set<string>();
  craft.rotors.forEach((rotor, i) => {
    const hand = labelSpinOf(rotor.spin, layoutKind(craft.layout));
    const piece = free.find((p) => p.hand === hand && !used.has(p.id));
    if (!piece) return;
    used.add(piece.id);
    const truedMs = atMs + i * 12 * MINUTE_MS;
    addTrueUp(rack, piece, truedMs);
    rack.facts.push({ subjectId: piece.id, atMs: truedMs + MINUTE_MS, fact: { kind: 'pieceJoinedSet', pieceId: piece.id, setId } });
    addFit(rack, craft, rotor, piece.id, truedMs + 2 * MINUTE_MS);
  });
  // One trued spare of each hand waits beside the set.
  for (const hand of ['cw', 'ccw'] as const) {
    const spare = free.find((p) => p.hand === hand && !used.has(p.id));
    if (spare) addTrueUp(rack, spare, atMs + HOUR_MS);
  }
  const isSigned = signedCrafts.includes(craft.name);
  const arms = craft.rotors.map(({ place, level, spin }): ArmStateDto => ({ place, level, seenSpin: isSigned ? spin : null, spinBy: isSigned ? 'strip' : null, outputName: null, hand: null, isLabelForward: true, thread: null, checks: isSigned ? [{ what: 'seated' }, { what: 'locked' }, { what: 'noDamage' }] : [] }));
  rack.fittings.push({ id: ids(`fitting ${craft.name}`), craftId: craft.id, arms, isHanging: false, sideThrust: layoutKind(craft.layout) === 'plane' && isSigned ? sideThrustFor(craft.rotors.map((r) => r.spin)) : null, note: null, atMs });
  if (isSigned) sign(rack, craft, atMs + 2 * HOUR_MS);
}

function addTrueUp(rack: DemoRack, { id: pieceId, diameterM }: DemoPiece, atMs: number): void {
  const { unbalanceKgM, massKg } = rack.hidden.get(pieceId)!;
  rack.facts.push({ subjectId: pieceId, atMs, fact: { kind: 'pieceTrued', pieceId, isDynamic: false, isCorrected: unbalanceKgM > 0.002 * massKg * diameterM!, reason: null } });
}

function addFit(rack: DemoRack, craft: RackCraft, { place, level }: Rotor, pieceId: string, atMs: number): void {
  rack.facts.push({ subjectId: pieceId, atMs, fact: { kind: 'pieceFitted', pieceId, craftId: craft.id, place, level, reason: null } });
  rack.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'armChanged', craftId: craft.id, place, level, what: 'piece' } });
}

function sign(rack: DemoRack, craft: RackCraft, atMs: number): void {
  rack.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'fittingConfirmed', craftId: craft.id, verdict: 'flies', note: null } });
}

/** Another model flies for some days in place of the usual set, which then goes back on; one piece of it is thrown away. */
function addTrial(rack: DemoRack, model: RackModel, craft: RackCraft): void {
  const usual = new Map(rack.facts.flatMap(({ fact }) => (fact.kind === 'pieceFitted' && fact.craftId === craft.id ? [[fact.place, fact.pieceId] as const] : [])));
  const free = goodOf(rack, model);
  const on = craft.rotors.map((rotor) => {
    const at = free.findIndex((p) => p.hand === labelSpinOf(rotor.spin, layoutKind(craft.layout)));
    return { rotor, piece: free.splice(at, 1)[0]! };
  });
  const swap = (atMs: number, off: (rotor: Rotor) => string, next: (rotor: Rotor) => string): void => {
    for (const { rotor } of on) {
      rack.facts.push({ subjectId: off(rotor), atMs, fact: { kind: 'pieceRemoved', pieceId: off(rotor), reason: null } });
      addFit(rack, craft, rotor, next(rotor), atMs + MINUTE_MS);
    }
    sign(rack, craft, atMs + 30 * MINUTE_MS);
  };
  const [startMs, endMs] = [at(trial.fromDaysAgo, 16), at(trial.toDaysAgo, 16)];
  for (const { piece } of on) addTrueUp(rack, piece, startMs - HOUR_MS);
  const tried = (rotor: Rotor): string => on.find((o) => o.rotor === rotor)!.piece.id;
  swap(startMs, (r) => usual.get(r.place)!, tried);
  swap(endMs, tried, (r) => usual.get(r.place)!);
  const kept = setPieces(rack, model);
  for (const { piece } of on) if (!kept.includes(piece)) rack.facts.push({ subjectId: piece.id, atMs: endMs + HOUR_MS, fact: { kind: 'pieceRetired', pieceId: piece.id, as: 'scrapped', reason: trial.lost } });
}

function addShortSet(rack: DemoRack, ids: (name: string) => string, model: RackModel, craft: RackCraft): void {
  const setId = ids(`set ${shortSet.name}`);
  const atMs = at(trial.fromDaysAgo, 14);
  rack.sets.push({ id: setId, name: shortSet.name, craftId: craft.id, atMs });
  for (const { id: pieceId } of setPieces(rack, model)) rack.facts.push({ subjectId: pieceId, atMs, fact: { kind: 'pieceJoinedSet', pieceId, setId } });
}

function goodOf(rack: DemoRack, model: RackModel): DemoPiece[] {
  return rack.pieces.filter((p) => p.propModelId === model.id && p.look !== null && !THROWN_OUT.includes(p.look));
}

function setPieces(rack: DemoRack, model: RackModel): DemoPiece[] {
  return ([['cw', shortSet.cwCount], ['ccw', shortSet.ccwCount]] as const).flatMap(([hand, count]) => goodOf(rack, model).filter((p) => p.hand === hand).slice(0, count));
}

function round(value: number, step: number): number {
  return Math.round(value / step) * step;
}
