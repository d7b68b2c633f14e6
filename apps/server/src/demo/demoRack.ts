import { labelSpinOf, layoutKind, pieceTag, simulatedDelivery, type BoreFit, type DeliveredPiece, type Layout, type Look, type PieceHand, type Rotor } from '@zivvo/core';
import type { StoredFact } from '../event/event.facts.ts';
import { demoDeliveries, demoMotors, demoSpares, makerSpreads, shortSet, type DemoDelivery } from './tarnholm.ts';

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
  spares: { id: string; name: string; count: number; perPieceCount: number; atMs: number }[];
  facts: { subjectId: string; fact: StoredFact; atMs: number }[];
}

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** Looks with which a careful bench throws a piece out unflown. */
const THROWN_OUT: readonly Look[] = ['warped', 'void'];

/** Deliveries, pieces, sets, motors and screws of the shed, and how they came there. */
export function demoRack(seed: string, ids: (name: string) => string, models: readonly RackModel[], crafts: readonly RackCraft[]): DemoRack {
  const rack: DemoRack = { batches: [], pieces: [], hidden: new Map(), sets: [], motors: [], spares: [], facts: [] };
  for (const delivery of demoDeliveries) addDelivery(rack, seed, ids, delivery, models.find((m) => m.key === delivery.modelKey)!, crafts);
  addShortSet(rack, ids, models.find((m) => m.key === shortSet.modelKey)!, crafts.find((c) => c.name === shortSet.craft)!);
  for (const { tag, craft, place, hours, strikeCount, overLimitCount, bearing, runOutMm } of demoMotors) {
    const row = { id: ids(`motor ${tag}`), tag, craftId: crafts.find((c) => c.name === craft)!.id, place, hours, overLimitCount, strikeCount, bearing, shaftRunOutM: runOutMm / 1000, atMs: -60 * DAY_MS };
    rack.motors.push(row);
    rack.facts.push({ subjectId: row.id, atMs: row.atMs, fact: { kind: 'partChanged', part: 'motor', partId: row.id, change: 'added', values: { tag, hours, strikeCount, bearing } } });
  }
  for (const spare of demoSpares) rack.spares.push({ id: ids(`spare ${spare.name}`), ...spare, atMs: -60 * DAY_MS });
  return rack;
}

function addDelivery(rack: DemoRack, seed: string, ids: (name: string) => string, delivery: DemoDelivery, model: RackModel, crafts: readonly RackCraft[]): void {
  const { counts, daysAgo, location, boreFit, checkedIn } = delivery;
  const startMs = -daysAgo * DAY_MS;
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
  if (craft && delivery.setName !== undefined) fitFirst(rack, ids, delivery.setName, craft, pieces, startMs + DAY_MS);
}

/** Trues and fits the first good pieces of each hand as a set. */
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
    const at = atMs + i * 12 * MINUTE_MS;
    const { id: pieceId } = piece;
    rack.facts.push({ subjectId: pieceId, atMs: at, fact: { kind: 'pieceTrued', pieceId, isDynamic: false, isCorrected: rack.hidden.get(pieceId)!.unbalanceKgM > 0.002 * rack.hidden.get(pieceId)!.massKg * piece.diameterM!, reason: null } });
    rack.facts.push({ subjectId: pieceId, atMs: at + MINUTE_MS, fact: { kind: 'pieceJoinedSet', pieceId, setId } });
    rack.facts.push({ subjectId: pieceId, atMs: at + 2 * MINUTE_MS, fact: { kind: 'pieceFitted', pieceId, craftId: craft.id, place: rotor.place, level: rotor.level, reason: null } });
  });
}

function addShortSet(rack: DemoRack, ids: (name: string) => string, model: RackModel, craft: RackCraft): void {
  const setId = ids(`set ${shortSet.name}`);
  const atMs = -20 * DAY_MS;
  rack.sets.push({ id: setId, name: shortSet.name, craftId: craft.id, atMs });
  const good = rack.pieces.filter((p) => p.propModelId === model.id && p.look !== null && !THROWN_OUT.includes(p.look));
  for (const [hand, count] of [['cw', shortSet.cwCount], ['ccw', shortSet.ccwCount]] as const) {
    for (const { id: pieceId } of good.filter((p) => p.hand === hand).slice(0, count)) rack.facts.push({ subjectId: pieceId, atMs, fact: { kind: 'pieceJoinedSet', pieceId, setId } });
  }
}

function round(value: number, step: number): number {
  return Math.round(value / step) * step;
}
