import { estimateMotor, INCH_M, readMotorLabel, readPropLabel, type PackChemistry } from '@zivvo/core';
import type { CreateCraftDto, CreatePropModelDto } from '@zivvo/contract';
import type { Diary } from './diary.ts';
import type { Shed } from './shed.ts';
import {
  at,
  demoAir,
  demoCrafts,
  demoMotors,
  demoPacks,
  demoPeople,
  demoPropModels,
  demoRigs,
  demoSpares,
  type DemoCraft,
  type DemoPropModel,
} from './tarnholm.ts';

const MINUTE_MS = 60_000;

/** People come, and after them prop models, packs, craft, rigs, motors and screws. */
export function stockShed(diary: Diary, shed: Shed): void {
  demoPeople.forEach((name, i) =>
    diary.plan(at(221, 10) + i, () => shed.workshop.addPerson({ id: shed.id(name), name }), shed.id(name)),
  );
  demoPropModels.forEach((demo, i) => {
    const atMs = at(220, 10) + i * MINUTE_MS;
    diary.plan(atMs, () => shed.models.create(propModelOf(shed, demo)));
    diary.plan(atMs + MINUTE_MS / 2, () =>
      shed.models.countStock(shed.modelId(demo.key), { cwCount: demo.counts[0], ccwCount: demo.counts[1] }),
    );
  });
  demoCrafts.forEach((demo, i) =>
    diary.plan(at(103 - i, 11), async () => {
      const { id } = await shed.crafts.create(craftOf(shed, demo));
      await shed.crafts.setUse(id, { use: demo.use, weights: null });
    }),
  );
  for (const { tags, ...pack } of demoPacks)
    for (const tag of tags)
      diary.plan(at(98, 12), () => shed.parts.addPack({ id: shed.id(tag), ...packOf(tag, pack), cycleCount: 0 }));
  // The chargers' counts are written over when the day is done.
  for (const { tags, ...pack } of demoPacks)
    for (const tag of tags)
      diary.plan(at(1, 20), async () =>
        shed.parts.changePack(shed.id(tag), {
          ...packOf(tag, pack),
          cycleCount: shed.charges.get(shed.id(tag)) ?? 0,
          revision: 1,
        }),
      );
  demoRigs.forEach((r, i) =>
    diary.plan(at(97, 12) - i * MINUTE_MS, () =>
      shed.rigs.add({
        id: shed.id(`rig ${r.name}`),
        name: r.name,
        frictionKgM: r.frictionGmm * 1e-6,
        borePlayM: r.borePlayMm / 1000,
        largestM: r.largestMm / 1000,
        inertiaKgM2: r.inertiaGmm2 * 1e-9,
        note: r.note,
      }),
    ),
  );
  for (const { tag, craft, place, fromDaysAgo, overLimitCount, bearing, runOutMm } of demoMotors) {
    diary.plan(at(fromDaysAgo, 11), () =>
      shed.parts.addMotor({
        id: shed.id(`motor ${tag}`),
        tag,
        craftId: shed.id(craft),
        place,
        hours: 0,
        overLimitCount,
        strikeCount: 0,
        bearing,
        shaftPlayM: null,
        shaftRunOutM: runOutMm / 1000,
        note: null,
      }),
    );
  }
  for (const spare of demoSpares)
    diary.plan(at(60, 11), () => shed.parts.addSpare({ id: shed.id(`spare ${spare.name}`), ...spare }));
  diary.plan(at(0, 7.5), () => shed.workshop.readAir({ id: shed.id('air'), ...demoAir.today }));
}

function packOf(
  tag: string,
  { chemistry, series, parallel, capacityAh, cellMilliohm, cRating }: Omit<(typeof demoPacks)[number], 'tags'>,
) {
  return {
    tag,
    chemistry,
    seriesCount: series,
    parallelCount: parallel,
    capacityAh,
    cellResistanceOhm: cellMilliohm === null ? null : cellMilliohm / 1000,
    cRating,
    note: null,
  };
}

function propModelOf(shed: Shed, demo: DemoPropModel): CreatePropModelDto {
  const read = readPropLabel(demo.label);
  const reading = read.status === 'read' ? read.readings[0]! : null;
  if (!reading || reading.pitchM === null) throw new Error(`The demo's label ${demo.label} cannot be read.`);
  return {
    id: shed.modelId(demo.key),
    label: demo.label,
    makerName: demo.maker,
    diameterM: (Math.round((reading.diameterM / INCH_M) * 100) / 100) * INCH_M,
    pitchM: reading.pitchM,
    bladeCount: reading.bladeCount ?? demo.blades,
    tipShape: demo.tip,
    material: demo.material,
    planform: null,
    chord75M: null,
    angle75Rad: null,
    labelHand: null,
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
  };
}

function craftOf(shed: Shed, demo: DemoCraft): CreateCraftDto {
  const motor = readMotorLabel(demo.motor);
  if (motor.status !== 'read' || motor.readings[0]!.kvRpmPerV === null)
    throw new Error(`The demo's motor ${demo.motor} cannot be read.`);
  const { statorDiameterM, statorHeightM, kvRpmPerV } = motor.readings[0]!;
  const estimate = estimateMotor(statorDiameterM, statorHeightM, kvRpmPerV!);
  return {
    id: shed.id(demo.name),
    name: demo.name,
    ownerName: demo.owner,
    layout: demo.layout,
    spinTable: 'in',
    ownSpins: null,
    arms: null,
    gearRatio: null,
    massKg: demo.massKg,
    diagonalM: demo.diagonalM,
    clearanceDiameterM: demo.clearanceM,
    groundClearanceM: demo.groundClearanceM ?? null,
    boomClearanceM: null,
    shaftDiameterM: demo.shaftMm / 1000,
    motorLabel: demo.motor,
    statorDiameterM,
    statorHeightM,
    kvRpmPerV: kvRpmPerV!,
    motorResistanceOhm: estimate.resistanceOhm,
    motorNoLoadCurrentA: estimate.noLoadCurrentA,
    motorMassKg: estimate.massKg,
    estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
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
    referencePropModelId: shed.modelId(demo.referenceKey),
    kits: (demo.kits ?? []).map((kit) => ({ id: shed.id(`${demo.name} ${kit.name}`), ...kit })),
    note: demo.note,
  };
}
