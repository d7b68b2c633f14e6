import { drillKinds, judgePiece, makeDrill, seededRandom, strikeSeverity, type PropMaterial, type RotorPlace } from '@zivvo/core';
import type { AlertRow, FlightRow, GainSheetRow, StrikeRow, SymptomCaseRow, TicketRow, WalkaroundRow } from '../care/care.repository.ts';
import type { StoredLook } from '../care/care.table.ts';
import type { StoredFact } from '../event/event.facts.ts';
import type { DemoPiece, RackCraft } from './demoRack.ts';
import { at, demoFlying, demoSymptom, demoTickets, gainStory, rootAlert, type DemoFlying } from './tarnholm.ts';

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

const MINUTE_MS = 60_000;
const DRILLS = 24;
/** Flights begin when it is light; the pack is changed and the craft looked over between two. */
const FIRST_HOUR = 9.5;
const PAUSE_MINUTES = 12;
const LOOK_MINUTES = 3;

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
  wearSpeedRpm: (craftId: string, propModelId: string) => number;
  enduranceS: (craftId: string, propModelId: string) => number;
  packIdsOf: (craftName: string) => readonly string[];
  personIds: readonly string[];
  /** What the rack tells of who sits where. */
  rackFacts: readonly { fact: StoredFact; atMs: number }[];
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
  const random = seededRandom(`${seed}/care/${flying.craft}`);
  for (let i = 0; i < flying.sessionCount; i++) {
    const daysAgo = flying.fromDaysAgo - ((flying.fromDaysAgo - flying.toDaysAgo) * i) / Math.max(1, flying.sessionCount - 1);
    const strike = flying.strikes.find((s) => s.session === i);
    let lookMs = at(daysAgo, FIRST_HOUR + 0.5 * random.next());
    for (let k = 0; k < flying.flightCount; k++) {
      const fitted = fittedOn(world, craft, lookMs);
      const secondsAProp = i === flying.hurriedSession ? 3 : 8 + 7 * random.next();
      addLook(care, world, craft, fitted, lookMs, secondsAProp * fitted.length, i === flying.scrapedSession && k === 0 ? fitted.at(-1)! : null);
      const durationS = Math.round((0.7 + 0.18 * random.next()) * world.enduranceS(craft.id, fitted[0]!.propModelId));
      const flightId = addFlight(care, world, craft, fitted, lookMs + LOOK_MINUTES * MINUTE_MS, durationS, null);
      const landedMs = lookMs + LOOK_MINUTES * MINUTE_MS + 1000 * durationS;
      if (strike && k === flying.flightCount - 1) addStrike(care, world, craft, fitted.filter((p) => p.place === strike.place), { ...strike, flightId, atMs: landedMs });
      lookMs = landedMs + (0.8 + 0.4 * random.next()) * PAUSE_MINUTES * MINUTE_MS;
    }
  }
  for (const { daysAgo, minutes, note } of flying.tests) {
    const lookMs = at(daysAgo, 14);
    const fitted = fittedOn(world, craft, lookMs);
    addLook(care, world, craft, fitted, lookMs, 12 * fitted.length, null);
    addFlight(care, world, craft, fitted, lookMs + LOOK_MINUTES * MINUTE_MS, 60 * minutes, note);
  }
  if (flying.isLookedThisMorning) {
    const fitted = fittedOn(world, craft, 0);
    addLook(care, world, craft, fitted, at(0, 7.6), 11 * fitted.length, null);
  }
}

/** Who sits on a craft at a moment, as the rack's facts say. */
function fittedOn({ pieces, rackFacts }: World, craft: RackCraft, atMs: number): Fitted[] {
  const on = new Map<string, Fitted>();
  for (const { fact } of [...rackFacts].filter((f) => f.atMs <= atMs).sort((a, b) => a.atMs - b.atMs)) {
    if (fact.kind === 'pieceRemoved') on.delete(fact.pieceId);
    if (fact.kind !== 'pieceFitted' || fact.craftId !== craft.id) continue;
    const { id, tag, propModelId } = pieces.find((p) => p.id === fact.pieceId)!;
    on.set(id, { id, tag, propModelId, place: fact.place, level: fact.level });
  }
  return [...on.values()];
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

function addFlight(care: DemoCare, { ids, wearSpeedRpm, packIdsOf }: World, craft: RackCraft, fitted: readonly Fitted[], atMs: number, durationS: number, note: string | null): string {
  const count = care.flights.filter((f) => f.craftId === craft.id).length;
  const id = ids(`flight ${craft.name} ${count}`);
  const packIds = packIdsOf(craft.name);
  // A flight is written down when it has landed.
  const landedMs = atMs + 1000 * durationS;
  care.flights.push({ id, craftId: craft.id, durationS, packPieceId: packIds[count % packIds.length]!, note, atMs: landedMs });
  const speedRpm = wearSpeedRpm(craft.id, fitted[0]!.propModelId);
  for (const p of fitted) care.flightPieces.push({ flightId: id, pieceId: p.id, speedRpm });
  care.facts.push({ subjectId: craft.id, atMs: landedMs, fact: { kind: 'flown', craftId: craft.id, flightId: id, durationS } });
  return id;
}

function addStrike(care: DemoCare, { ids }: World, craft: RackCraft, struck: readonly Fitted[], { atMs, flightId, thing, throttleRatio, note }: DemoFlying['strikes'][number] & { atMs: number; flightId: string }): void {
  const id = ids(`strike ${craft.name} ${care.strikes.length}`);
  const severity = strikeSeverity(thing, throttleRatio);
  care.strikes.push({ id, craftId: craft.id, flightId, thing, throttleRatio, severity, isCrash: false, arms: struck.map(({ place, level }) => ({ place, level })), note, atMs });
  care.facts.push({ subjectId: craft.id, atMs, fact: { kind: 'struck', craftId: craft.id, strikeId: id, thing, throttleRatio, severity, isCrash: false } });
  for (const p of struck) {
    care.strikePieces.push({ strikeId: id, pieceId: p.id });
    care.facts.push({ subjectId: p.id, atMs, fact: { kind: 'pieceStruck', pieceId: p.id, craftId: craft.id, thing, severity } });
  }
}

function addAlert(care: DemoCare, { ids, modelId }: World): void {
  const propModelId = modelId(rootAlert.modelKey);
  const atMs = at(rootAlert.daysAgo, 17);
  const id = ids('alert');
  care.alerts.push({ id, propModelId, batchId: null, reason: rootAlert.reason, releasedAt: null, releaseReason: null, atMs });
  care.facts.push({ subjectId: propModelId, atMs, fact: { kind: 'alertRaised', propModelId, alertId: id, reason: rootAlert.reason } });
}

/** A gain sheet whose old props are back, two tickets, and a fault that was found. */
function addStories(care: DemoCare, { ids, crafts, modelId }: World): void {
  const craftId = (name: string): string => crafts.find((c) => c.name === name)!.id;
  const { craft, oldKey, newKey, fromPercent, toPercent, daysAgo } = gainStory;
  const looks = Array.from({ length: fromPercent - toPercent + 1 }, (_, i) => ({ axis: 'roll' as const, percent: fromPercent - i, doesFlutter: fromPercent - i > toPercent, doesReturn: fromPercent - i > toPercent ? null : true }));
  care.gainSheets.push({ id: ids('gains'), craftId: craftId(craft), oldPropModelId: modelId(oldKey), newPropModelId: modelId(newKey), payloadKg: 0, hasGuards: false, packSeriesCount: 6, pitchPercent: 100, rollPercent: 100, yawPercent: 100, verticalPercent: 100, checks: ['balance', 'tightness', 'shaft'], looks, note: null, atMs: at(daysAgo, 15) });
  for (const [i, t] of demoTickets.entries()) {
    const id = ids(`ticket ${i}`);
    const [atMs, doneMs] = [at(t.daysAgo, 16), at(t.daysAgo - 2, 16)];
    care.tickets.push({ id, craftId: craftId(t.craft), ownerName: t.owner, complaint: t.complaint, found: t.found, done: t.done, parts: t.parts, minutes: t.minutes, closedAtMs: t.found === null ? null : doneMs, atMs });
    care.facts.push({ subjectId: craftId(t.craft), atMs, fact: { kind: 'ticketOpened', craftId: craftId(t.craft), ticketId: id, complaint: t.complaint } });
    if (t.found !== null) care.facts.push({ subjectId: craftId(t.craft), atMs: doneMs, fact: { kind: 'ticketClosed', craftId: craftId(t.craft), ticketId: id, minutes: t.minutes } });
  }
  const { cause, symptoms, changes, answers } = demoSymptom;
  const atMs = at(demoSymptom.daysAgo, 15);
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
  care.drills.push({ id: ids(`drill ${i}`), personId: personIds[i % personIds.length]!, kind, seed: drill.seed, isRight: chosen === drill.right, atMs: at(DRILLS - i, 19) });
}
