import { drillKinds, judgePiece, makeDrill, seededRandom, strikeSeverity, type PropMaterial, type RotorPlace } from '@zivvo/core';
import type { AlertRow, FlightRow, GainSheetRow, StrikeRow, SymptomCaseRow, TicketRow, WalkaroundRow } from '../care/care.repository.ts';
import type { StoredLook } from '../care/care.table.ts';
import type { StoredFact } from '../event/event.facts.ts';
import type { DemoPiece, RackCraft } from './demoRack.ts';
import { demoFlying, demoSymptom, demoTickets, gainStory, rootAlert, type DemoFlying } from './tarnholm.ts';

/** A row of the demo: its dates are milliseconds relative to the first start. */
type Row<T> = Omit<T, 'workshopId' | 'personId' | 'revision' | 'createdAt' | 'updatedAt' | 'deletedAt'> & { atMs: number };
/** Moments as milliseconds until the first start is known. */
type Timed<T, K extends keyof T> = Row<Omit<T, K>>;

export interface DemoCare {
  walkarounds: Timed<WalkaroundRow, 'lookedAt'>[];
  flights: Timed<FlightRow, 'flownAt'>[];
  flightPieces: { flightId: string; pieceId: string; speedRpm: number }[];
  strikes: Timed<StrikeRow, 'struckAt'>[];
  strikePieces: { strikeId: string; pieceId: string }[];
  alerts: Timed<AlertRow, 'raisedAt'>[];
  gainSheets: Row<GainSheetRow>[];
  tickets: (Timed<TicketRow, 'closedAt'> & { closedAtMs: number | null })[];
  cases: (Timed<SymptomCaseRow, 'closedAt'> & { closedAtMs: number })[];
  drills: { id: string; personId: string; kind: (typeof drillKinds)[number]; seed: string; isRight: boolean; atMs: number }[];
  facts: { subjectId: string; fact: StoredFact; atMs: number }[];
}

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
const DRILLS = 24;
const HOURS_APART = 4 / 24;

interface Fitted extends Pick<DemoPiece, 'id' | 'tag' | 'propModelId'> {
  place: RotorPlace;
  level: number;
}

interface World {
  ids: (name: string) => string;
  crafts: readonly RackCraft[];
  pieces: readonly DemoPiece[];
  modelId: (key: string) => string;
  materialOf: (propModelId: string) => PropMaterial;
  hoverSpeedRpm: (craftId: string, propModelId: string) => number;
  packIds: readonly string[];
  personIds: readonly string[];
  /** What the rack tells of who sits where. */
  rackFacts: readonly { fact: StoredFact }[];
}

/** Three months of looks and flights, a strike, an alert, tickets and drills of the shed. */
export function demoCare(seed: string, world: World): DemoCare {
  const care: DemoCare = { walkarounds: [], flights: [], flightPieces: [], strikes: [], strikePieces: [], alerts: [], gainSheets: [], tickets: [], cases: [], drills: [], facts: [] };
  for (const flying of demoFlying) addSeason(care, seed, world, flying);
  addAlert(care, world);
  addStories(care, world);
  for (let i = 0; i < DRILLS; i++) addDrill(care, seed, world, i);
  return care;
}

function addSeason(care: DemoCare, seed: string, world: World, flying: DemoFlying): void {
  const craft = world.crafts.find((c) => c.name === flying.craft)!;
  const fitted = fittedOn(world, craft);
  const random = seededRandom(`${seed}/care/${flying.craft}`);
  for (let i = 0; i < flying.sessionCount; i++) {
    const daysAgo = flying.fromDaysAgo - ((flying.fromDaysAgo - flying.toDaysAgo) * i) / Math.max(1, flying.sessionCount - 1);
    // By day: whole days before the first start, two hours earlier or later.
    const lookMs = -(Math.round(daysAgo) + HOURS_APART * (random.next() - 0.5)) * DAY_MS;
    const secondsAProp = i === flying.hurriedSession ? 3 : 8 + 7 * random.next();
    addLook(care, world, craft, fitted, lookMs, secondsAProp * fitted.length, i === flying.scrapedSession ? fitted.at(-1)! : null);
    addFlight(care, world, craft, fitted, lookMs + 20 * MINUTE_MS, flying.minutes * (0.85 + 0.3 * random.next()) * 60, i);
  }
  for (const { daysAgo, thing, throttleRatio, place, note } of flying.strikes) addStrike(care, world, craft, fitted.filter((p) => p.place === place), { atMs: -daysAgo * DAY_MS, thing, throttleRatio, note });
  if (flying.lookedMinutesAgo !== null) addLook(care, world, craft, fitted, -flying.lookedMinutesAgo * MINUTE_MS, 11 * fitted.length, null);
}

/** Who sits on a craft, as the rack's facts say. */
function fittedOn({ pieces, rackFacts }: World, craft: RackCraft): Fitted[] {
  return rackFacts.flatMap(({ fact }) => {
    if (fact.kind !== 'pieceFitted' || fact.craftId !== craft.id) return [];
    const { id, tag, propModelId } = pieces.find((p) => p.id === fact.pieceId)!;
    return [{ id, tag, propModelId, place: fact.place, level: fact.level }];
  });
}

function addLook(care: DemoCare, { ids, materialOf }: World, craft: RackCraft, fitted: readonly Fitted[], atMs: number, durationS: number, scraped: Fitted | null): void {
  const id = ids(`look ${craft.name} ${care.walkarounds.length}`);
  const looks = fitted.map((p): StoredLook => {
    const findings = p === scraped ? [{ place: 'underside' as const, what: 'scrape' as const }] : [];
    const { outcome, isTruingVoid } = judgePiece({ material: materialOf(p.propModelId), isFolding: false, strike: 'none' }, findings, 'lenient');
    return { place: p.place, level: p.level, seen: ['top', 'underside', 'edges'], findings, photoSha256: null, pieceId: p.id, tag: p.tag, material: materialOf(p.propModelId), outcome, isTruingVoid, strike: 'none' };
  });
  care.walkarounds.push({ id, craftId: craft.id, durationS, policy: 'lenient', isFolding: false, outcome: 'fly', looks, note: null, atMs });
  care.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'walkedRound', craftId: craft.id, walkaroundId: id, outcome: 'fly', durationS, propCount: looks.length, findingCount: scraped ? 1 : 0 } });
  if (scraped) care.facts.push({ subjectId: scraped.id, atMs, fact: { kind: 'pieceLooked', pieceId: scraped.id, craftId: craft.id, outcome: 'fly', isTruingVoid: false, hasNick: false, findings: [{ place: 'underside', what: 'scrape' }] } });
}

function addFlight(care: DemoCare, { ids, hoverSpeedRpm, packIds }: World, craft: RackCraft, fitted: readonly Fitted[], atMs: number, durationS: number, i: number): void {
  const id = ids(`flight ${craft.name} ${i}`);
  care.flights.push({ id, craftId: craft.id, durationS, packPieceId: craft.name === 'Petrel' ? packIds[i % packIds.length]! : null, note: null, atMs });
  const speedRpm = fitted[0] ? hoverSpeedRpm(craft.id, fitted[0].propModelId) : 0;
  for (const p of fitted) care.flightPieces.push({ flightId: id, pieceId: p.id, speedRpm });
  care.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'flown', craftId: craft.id, flightId: id, durationS } });
}

function addStrike(care: DemoCare, { ids }: World, craft: RackCraft, struck: readonly Fitted[], { atMs, thing, throttleRatio, note }: { atMs: number; thing: DemoFlying['strikes'][number]['thing']; throttleRatio: number; note: string }): void {
  const id = ids(`strike ${craft.name} ${care.strikes.length}`);
  const severity = strikeSeverity(thing, throttleRatio);
  care.strikes.push({ id, craftId: craft.id, flightId: null, thing, throttleRatio, severity, isCrash: false, arms: struck.map(({ place, level }) => ({ place, level })), note, atMs });
  care.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'struck', craftId: craft.id, strikeId: id, thing, throttleRatio, severity, isCrash: false } });
  for (const p of struck) {
    care.strikePieces.push({ strikeId: id, pieceId: p.id });
    care.facts.push({ subjectId: p.id, atMs, fact: { kind: 'pieceStruck', pieceId: p.id, craftId: craft.id, thing, severity } });
  }
}

function addAlert(care: DemoCare, { ids, modelId }: World): void {
  const propModelId = modelId(rootAlert.modelKey);
  const atMs = -rootAlert.daysAgo * DAY_MS;
  const id = ids('alert');
  care.alerts.push({ id, propModelId, batchId: null, reason: rootAlert.reason, releasedAt: null, releaseReason: null, atMs });
  care.facts.push({ subjectId: propModelId, atMs, fact: { kind: 'alertRaised', propModelId, alertId: id, reason: rootAlert.reason } });
}

/** A gain sheet whose old props are back, two tickets, and a fault that was found. */
function addStories(care: DemoCare, { ids, crafts, modelId }: World): void {
  const craftId = (name: string): string => crafts.find((c) => c.name === name)!.id;
  const { craft, oldKey, newKey, fromPercent, toPercent, daysAgo } = gainStory;
  const looks = Array.from({ length: fromPercent - toPercent + 1 }, (_, i) => ({ axis: 'roll' as const, percent: fromPercent - i, doesFlutter: fromPercent - i > toPercent, doesReturn: fromPercent - i > toPercent ? null : true }));
  care.gainSheets.push({ id: ids('gains'), craftId: craftId(craft), oldPropModelId: modelId(oldKey), newPropModelId: modelId(newKey), payloadKg: 0, hasGuards: false, packSeriesCount: 6, pitchPercent: 100, rollPercent: 100, yawPercent: 100, verticalPercent: 100, checks: ['balance', 'tightness', 'shaft'], looks, note: null, atMs: -daysAgo * DAY_MS });
  for (const [i, t] of demoTickets.entries()) {
    const id = ids(`ticket ${i}`);
    const atMs = -t.daysAgo * DAY_MS;
    care.tickets.push({ id, craftId: craftId(t.craft), ownerName: t.owner, complaint: t.complaint, found: t.found, done: t.done, parts: t.parts, minutes: t.minutes, closedAtMs: t.found === null ? null : atMs + 2 * DAY_MS, atMs });
    care.facts.push({ subjectId: craftId(t.craft), atMs, fact: { kind: 'ticketOpened', craftId: craftId(t.craft), ticketId: id, complaint: t.complaint } });
    if (t.found !== null) care.facts.push({ subjectId: craftId(t.craft), atMs: atMs + 2 * DAY_MS, fact: { kind: 'ticketClosed', craftId: craftId(t.craft), ticketId: id, minutes: t.minutes } });
  }
  const { cause, symptoms, changes, answers } = demoSymptom;
  const atMs = -demoSymptom.daysAgo * DAY_MS;
  const caseId = ids('case');
  care.cases.push({ id: caseId, craftId: craftId(demoSymptom.craft), symptoms: [...symptoms], changes: [...changes], answers: [...answers], mendedCause: cause, closedAtMs: atMs + 40 * MINUTE_MS, atMs });
  care.facts.push({ subjectId: craftId(demoSymptom.craft), atMs: atMs + 40 * MINUTE_MS, fact: { kind: 'faultFound', craftId: craftId(demoSymptom.craft), caseId, cause } });
}

/** Both people practise; one of them has flown longer. */
function addDrill(care: DemoCare, seed: string, { ids, personIds }: World, i: number): void {
  const random = seededRandom(`${seed}/drill/${i}`);
  const kind = drillKinds[i % drillKinds.length]!;
  const drill = makeDrill(kind, `demo-${i}`);
  const skill = i % 2 === 0 ? 0.85 : 0.6;
  const chosen = random.next() < skill ? drill.right : (drill.right + 1) % drill.options.length;
  care.drills.push({ id: ids(`drill ${i}`), personId: personIds[i % personIds.length]!, kind, seed: drill.seed, isRight: chosen === drill.right, atMs: -(DRILLS - i) * DAY_MS });
}
