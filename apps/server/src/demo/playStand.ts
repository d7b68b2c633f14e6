import { emptyStep, recordProgram, SimulatedStand, throttleProgram, type LiveReading } from '@zivvo/core';
import { limitsOf, simulatedDevice } from '../live/simulatedDevice.ts';
import type { Diary } from './diary.ts';
import { SEED, type Shed } from './shed.ts';
import { at, demoAir, demoChecks, ladder, standEvening } from './tarnholm.ts';

const MINUTE_MS = 60_000;
const ROUNDS = 3;
const RUN_MINUTES = 7;
/** Packs from the charger; one that was left lying for a month. */
const FULL_CHARGE = 0.975;
const TIRED_CHARGE = 0.84;

/**
 * Three rounds through the evening's props on the simulated stand; a pack serves two runs before it goes back on
 * charge.
 */
export function playStand(diary: Diary, shed: Shed): void {
  const campaignId = shed.id('stand evening');
  demoChecks.forEach(({ daysAgo, ...check }, i) =>
    diary.plan(at(daysAgo, 17.5) + i * MINUTE_MS, () =>
      shed.instruments.add({ id: shed.id(`instrument check ${i}`), reachesBack: false, armM: null, ...check }),
    ),
  );
  const startMs = at(standEvening.daysAgo, standEvening.hour);
  diary.plan(startMs, async () => {
    const { name, gateCellV, note } = standEvening;
    await shed.campaigns.create({
      id: campaignId,
      craftId: shed.id(standEvening.craft),
      name,
      referencePropModelId: shed.modelId(standEvening.referenceKey),
      ...demoAir.evening,
      gateCellV,
      note,
    });
  });
  const chargeLeft = new Map<string, number>();
  for (let i = 0; i < ROUNDS * standEvening.propKeys.length; i++)
    diary.plan(startMs + i * RUN_MINUTES * MINUTE_MS, () => runOnce(shed, campaignId, i, chargeLeft));
}

async function runOnce(shed: Shed, campaignId: string, i: number, chargeLeft: Map<string, number>): Promise<void> {
  const craft = await shed.craft(standEvening.craft);
  const model = await shed.model(standEvening.propKeys[i % standEvening.propKeys.length]!);
  const packIds = shed.packIdsOf(craft.name);
  const packPieceId = packIds[i % packIds.length]!;
  const isTired = i === standEvening.tiredRun;
  const left = Math.floor(i / packIds.length) % 2 === 1 && !isTired ? chargeLeft.get(packPieceId) : undefined;
  if (left === undefined) shed.charged(packPieceId);
  const stand = new SimulatedStand(
    simulatedDevice(craft, model, demoAir.evening, isTired ? TIRED_CHARGE : (left ?? FULL_CHARGE), `${SEED}/run/${i}`),
  );
  const restingCellV = Math.round(stand.restingCellV * 1000) / 1000;
  const readings: LiveReading[] = [];
  const program = throttleProgram({ kind: 'own', stepCount: ladder.length, holdS: 2.5, throttles: ladder });
  const points = recordProgram(stand, program, undefined, (reading) => readings.push(reading));
  const steps = points.map(({ values }) => ({ ...emptyStep(), ...values }));
  // The tired pack goes on charge after its run is found wanting.
  chargeLeft.set(packPieceId, isTired ? FULL_CHARGE : stand.chargeRatio);
  const { id, revision } = await shed.runs.create(
    campaignId,
    {
      id: shed.id(`run ${i}`),
      propModelId: model.id,
      packPieceId,
      replacesRunId: null,
      draft: { columns: [], cells: [], restingCell: '', zeroBefore: '', zeroAfter: '' },
    },
    'simulated',
  );
  await shed.standRecords.add(id, shed.id(`recording ${i}`), {
    limits: limitsOf(craft, model.speedLimitRpm),
    restingCellV,
    points,
    readings,
  });
  await shed.runs.keep(id, {
    steps,
    readingKinds: [],
    restingCellV,
    zeroBeforeN: null,
    zeroAfterN: null,
    packPieceId,
    revision,
  });
}
