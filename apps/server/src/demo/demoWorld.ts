import { PROTOCOL_VERSION, type CreatePackPieceDto } from '@zivvo/contract';
import { emptyStep, estimateMotor, evaluateCandidate, hashText, INCH_M, layOut, modelGeometry, readMotorLabel, readPropLabel, recordLadder, seededRandom, SimulatedStand, standQuantityNames, type PackChemistry, type StandStep } from '@zivvo/core';
import { RotorBench } from '../craft/rotorBench.ts';
import { demoCare, type DemoCare } from './demoCare.ts';
import { demoRack, type DemoRack } from './demoRack.ts';
import type { StoredFact } from '../event/event.facts.ts';
import { simulatedDevice } from '../live/simulatedDevice.ts';
import { at, demoAir, demoCrafts, demoPacks, demoPeople, demoPropModels, demoRigs, ladder, standEvening, type DemoCraft, type DemoPropModel } from './tarnholm.ts';

/** Rows of the demo workshop; dates are milliseconds relative to the local midnight before the first start. */
export interface DemoWorld {
  people: { id: string; name: string; atMs: number }[];
  propModels: (ReturnType<typeof propModelRow> & { atMs: number })[];
  crafts: (ReturnType<typeof craftRow> & { atMs: number })[];
  packs: (Required<CreatePackPieceDto> & { atMs: number })[];
  air: { id: string; temperatureC: number; pressurePa: number; humidityRatio: number; atMs: number }[];
  campaigns: { id: string; craftId: string; name: string; referencePropModelId: string; protocolVersion: number; temperatureC: number; pressurePa: number; humidityRatio: number; gateCellV: number; note: string; atMs: number }[];
  runs: DemoRun[];
  rigs: { id: string; name: string; frictionKgM: number; borePlayM: number; largestM: number; inertiaKgM2: number; note: string; atMs: number }[];
  rack: Omit<DemoRack, 'facts' | 'hidden'>;
  care: Omit<DemoCare, 'facts'>;
  facts: { subjectId: string; fact: StoredFact; atMs: number }[];
}

export interface DemoRun {
  id: string;
  campaignId: string;
  propModelId: string;
  packPieceId: string;
  restingCellV: number;
  zeroBeforeN: null;
  zeroAfterN: null;
  steps: StandStep[];
  atMs: number;
}

const MINUTE_MS = 60_000;
const SEED = 'tarnholm-1';
/** Packs from the charger; one that was left lying for a month. */
const FULL_CHARGE = 0.975;
const RUNS_A_CHARGE = 2;
const TIRED_CHARGE = 0.84;

/**
 * The Tarnholm Lift Shed: four craft, a dozen prop models, packs for each, and one stand evening of nine props with
 * three runs each. Every number follows from the simulators and one seed, so the same code gives the same bytes.
 */
export function demoWorld(): DemoWorld {
  const ids = demoIds();
  const propModels = demoPropModels.map((p, i) => ({ ...propModelRow(p, i, ids(p.label + p.maker)), atMs: at(220, 10) + i * MINUTE_MS }));
  const modelId = (key: string): string => propModels[demoPropModels.findIndex((p) => p.key === key)]!.id;
  const crafts = demoCrafts.map((c, i) => ({ ...craftRow(c, ids(c.name), modelId(c.referenceKey)), atMs: at(100 + i, 11) }));
  const packIdsOf = (craftName: string): string[] => demoPacks.filter((p) => p.craft === craftName).flatMap((p) => p.tags.map(ids));
  const petrel = crafts[0]!;
  const campaignId = ids('stand evening');
  const startMs = at(12, 18.5);
  const runs = eveningRuns(ids, campaignId, petrel, propModels, packIdsOf('Petrel'), startMs);
  const { facts: rackFacts, hidden: _hidden, ...rack } = demoRack(
    SEED,
    ids,
    propModels.map((p, i) => ({ id: p.id, key: demoPropModels[i]!.key, maker: demoPropModels[i]!.maker, massKg: p.measuredMassKg, diameterM: p.measuredDiameterM ?? p.diameterM, colour: p.colour })),
    crafts,
  );
  const people = demoPeople.map((name, i) => ({ id: ids(name), name, atMs: at(221, 10) + i }));
  const bench = new RotorBench();
  const geometryOf = (id: string) => modelGeometry(propModels.find((p) => p.id === id)!);
  const { facts: careFacts, ...care } = demoCare(SEED, {
    ids, crafts, pieces: rack.pieces, modelId, rackFacts, packIdsOf, personIds: people.map((p) => p.id),
    materialOf: (id) => propModels.find((p) => p.id === id)!.material,
    wearSpeedRpm: onceEach((craftId, id) => bench.wearSpeedRpm(crafts.find((c) => c.id === craftId)!, geometryOf(id))),
    enduranceS: onceEach((craftId, id) => evaluateCandidate(bench.of(crafts.find((c) => c.id === craftId)!), geometryOf(id)).figures.enduranceS),
  });
  const packs = demoPacks.flatMap(({ tags, chemistry, series, parallel, capacityAh, cellMilliohm, cRating }) =>
    tags.map((tag) => ({
      id: ids(tag), tag, chemistry, seriesCount: series, parallelCount: parallel, capacityAh, cellResistanceOhm: cellMilliohm === null ? null : cellMilliohm / 1000, cRating, note: null, atMs: at(98, 12),
      cycleCount: care.flights.filter((f) => f.packPieceId === ids(tag)).length + Math.ceil(runs.filter((r) => r.packPieceId === ids(tag)).length / RUNS_A_CHARGE),
    })),
  );
  const motors = rack.motors.map((m) => ({ ...m, hours: care.flights.filter((f) => f.craftId === m.craftId && f.atMs > m.atMs).reduce((sum, f) => sum + f.durationS / 3600, 0) }));
  const facts: DemoWorld['facts'] = [
    ...propModels.map((p, i) => ({ subjectId: p.id, fact: { kind: 'stockCounted' as const, propModelId: p.id, cwCount: demoPropModels[i]!.counts[0], ccwCount: demoPropModels[i]!.counts[1] }, atMs: p.atMs + MINUTE_MS })),
    ...runs.map((r) => ({
      subjectId: r.id,
      fact: { kind: 'runKept' as const, runId: r.id, craftId: petrel.id, propModelId: r.propModelId, maxCurrentA: maxOf(r.steps, 'currentA'), maxSpeedRpm: maxOf(r.steps, 'speedRpm'), replacesRunId: null },
      atMs: r.atMs,
    })),
    ...rackFacts,
    ...careFacts,
  ].sort((a, b) => a.atMs - b.atMs);
  return {
    people,
    propModels,
    crafts,
    packs,
    air: [{ id: ids('air'), ...demoAir.today, atMs: at(0, 7.5) }],
    campaigns: [{ id: campaignId, craftId: petrel.id, name: standEvening.name, referencePropModelId: modelId(standEvening.referenceKey), protocolVersion: PROTOCOL_VERSION, ...demoAir.evening, gateCellV: standEvening.gateCellV, note: standEvening.note, atMs: startMs }],
    runs,
    rigs: demoRigs.map((r, i) => ({ id: ids(`rig ${r.name}`), name: r.name, frictionKgM: r.frictionGmm * 1e-6, borePlayM: r.borePlayMm / 1000, largestM: r.largestMm / 1000, inertiaKgM2: r.inertiaGmm2 * 1e-9, note: r.note, atMs: at(97, 12) - i * MINUTE_MS })),
    rack: { ...rack, motors },
    care,
    facts,
  };
}

/** Three rounds through the nine props on the simulated stand; a pack serves two runs before it goes back on charge. */
function eveningRuns(ids: (name: string) => string, campaignId: string, petrel: ReturnType<typeof craftRow>, propModels: DemoWorld['propModels'], packIds: string[], startMs: number): DemoRun[] {
  const chargeLeft = new Map<string, number>();
  return Array.from({ length: 3 * standEvening.propKeys.length }, (_, i) => {
    const key = standEvening.propKeys[i % standEvening.propKeys.length]!;
    const model = propModels[demoPropModels.findIndex((p) => p.key === key)]!;
    const packId = packIds[i % packIds.length]!;
    const isSecondOnPack = Math.floor(i / packIds.length) % 2 === 1;
    const chargeRatio = i === standEvening.tiredRun ? TIRED_CHARGE : isSecondOnPack ? (chargeLeft.get(packId) ?? FULL_CHARGE) : FULL_CHARGE;
    const stand = new SimulatedStand(simulatedDevice(petrel, model, demoAir.evening, chargeRatio, `${SEED}/run/${i}`));
    const restingCellV = Math.round(stand.restingCellV * 1000) / 1000;
    const points = recordLadder(stand, { throttles: ladder, settleS: 1.5, readS: 1 });
    // The tired pack goes on charge after its run is found wanting.
    chargeLeft.set(packId, i === standEvening.tiredRun ? FULL_CHARGE : stand.chargeRatio);
    return {
      id: ids(`run ${i}`),
      campaignId,
      propModelId: model.id,
      packPieceId: packId,
      restingCellV,
      zeroBeforeN: null,
      zeroAfterN: null,
      steps: points.map(({ values }) => ({ ...emptyStep(), ...values })),
      atMs: startMs + i * 7 * MINUTE_MS,
    };
  });
}

function propModelRow(demo: DemoPropModel, seriesIndex: number, id: string) {
  const { diameterM, pitchM, bladeCount } = sizesOf(demo);
  return {
    id,
    label: demo.label,
    makerName: demo.maker,
    diameterM,
    pitchM,
    bladeCount,
    tipShape: demo.tip,
    material: demo.material,
    labelHand: null,
    planform: null,
    chord75M: null,
    angle75Rad: null,
    measuredDiameterM: demo.measuredMm === undefined ? null : demo.measuredMm / 1000,
    measuredMassKg: demo.massG / 1000,
    speedLimitRpm: demo.speedLimitRpm ?? null,
    boreDiameterM: demo.boreMm / 1000,
    mountKind: demo.mount ?? 'nut',
    hubThicknessM: null,
    cwLetters: demo.letters?.[0] ?? null,
    ccwLetters: demo.letters?.[1] ?? null,
    cutFromModelId: null,
    bagPrice: demo.bag[0],
    bagCount: demo.bag[1],
    colour: demo.colour,
    note: null,
    seriesIndex,
  };
}

function craftRow(demo: DemoCraft, id: string, referencePropModelId: string) {
  const motor = readMotorLabel(demo.motor);
  if (motor.status !== 'read' || motor.readings[0]!.kvRpmPerV === null) throw new Error(`The demo's motor ${demo.motor} cannot be read.`);
  const { statorDiameterM, statorHeightM, kvRpmPerV } = motor.readings[0]!;
  const estimate = estimateMotor(statorDiameterM, statorHeightM, kvRpmPerV!);
  return {
    id,
    name: demo.name,
    ownerName: demo.owner,
    layout: demo.layout,
    arms: null,
    massKg: demo.massKg,
    diagonalM: demo.diagonalM,
    clearanceDiameterM: demo.clearanceM,
    groundClearanceM: demo.groundClearanceM ?? null,
    boomClearanceM: null,
    shaftDiameterM: demo.shaftMm / 1000,
    rotors: layOut({ ...demo, arms: null }),
    motorLabel: demo.motor,
    statorDiameterM,
    statorHeightM,
    kvRpmPerV: kvRpmPerV!,
    motorResistanceOhm: estimate.resistanceOhm,
    motorNoLoadCurrentA: estimate.noLoadCurrentA,
    motorMassKg: estimate.massKg,
    estimatedFields: ['motorResistanceOhm' as const, 'motorNoLoadCurrentA' as const, 'motorMassKg' as const],
    motorLimitA: demo.motorLimitA,
    escLimitA: demo.escLimitA,
    packChemistry: demo.chemistry satisfies PackChemistry,
    packSeriesCount: demo.series,
    packParallelCount: demo.parallel,
    packCapacityAh: demo.capacityAh,
    packPieceId: null,
    packCellResistanceOhm: null,
    packCRating: null,
    standbyPowerW: null,
    ductThrustRatio: null,
    referencePropModelId,
    note: demo.note,
    use: demo.use,
  };
}

function sizesOf(demo: DemoPropModel): { diameterM: number; pitchM: number; bladeCount: number } {
  const read = readPropLabel(demo.label);
  const reading = read.status === 'read' ? read.readings[0]! : null;
  if (!reading || reading.pitchM === null) throw new Error(`The demo's label ${demo.label} cannot be read.`);
  return { diameterM: Math.round((reading.diameterM / INCH_M) * 100) / 100 * INCH_M, pitchM: reading.pitchM, bladeCount: reading.bladeCount ?? demo.blades };
}

function maxOf(steps: StandStep[], quantity: (typeof standQuantityNames)[number]): number | null {
  const values = steps.map((s) => s[quantity]).filter((v) => v !== null);
  return values.length === 0 ? null : Math.max(...values);
}

/** Identifiers of the form of UUIDv7 that depend on their name alone. */
function demoIds(): (name: string) => string {
  return (name) => {
    const random = seededRandom(`${SEED}/id/${name}`);
    const hex = (count: number): string => Array.from({ length: count }, () => Math.floor(random.next() * 16).toString(16)).join('');
    const moment = (0x0192_0000_0000 + hashText(name)).toString(16).padStart(12, '0');
    return `${moment.slice(0, 8)}-${moment.slice(8, 12)}-7${hex(3)}-8${hex(3)}-${hex(12)}`;
  };
}

/** Works out each answer once. */
function onceEach(work: (a: string, b: string) => number): (a: string, b: string) => number {
  const known = new Map<string, number>();
  return (a, b) => {
    const key = `${a}/${b}`;
    const value = known.get(key) ?? work(a, b);
    known.set(key, value);
    return value;
  };
}
