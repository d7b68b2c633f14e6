import type { CreateFlightCardDto } from '@zivvo/contract';
import {
  cellVoltages,
  flightCsv,
  GRAVITY_M_PER_S2,
  seededRandom,
  simulateCard,
  simulateFlight,
  USUAL_PROTOCOL,
  usualFlightPlan,
  type SimulatedCard,
} from '@zivvo/core';
import type { Diary } from './diary.ts';
import { lookOver } from './lookOver.ts';
import { SEED, type Shed } from './shed.ts';
import { at, demoFlights, type DemoFlights } from './tarnholm.ts';

const LANDING_RATIO = 0.75;
/** The look before a flight: so long before it, so long for each prop. */
const LOOK_H = 0.4;
const LOOK_S = 11;

/** Flights by protocol: props side by side as they flew. */
export function playFly(diary: Diary, shed: Shed): void {
  for (const season of demoFlights)
    season.flights.forEach(({ daysAgo, hour }, i) => {
      diary.plan(at(daysAgo, hour - LOOK_H), () => lookFirst(shed, season.craft, i));
      diary.plan(at(daysAgo, hour), () => flyCard(shed, season, i));
    });
}

async function lookFirst(shed: Shed, name: string, index: number): Promise<void> {
  await lookOver(shed, await shed.craft(name), shed.id(`look card ${name} ${index}`), LOOK_S);
}

async function flyCard(shed: Shed, season: DemoFlights, index: number): Promise<void> {
  const { craft: name, dragAreaM2 } = season;
  const { modelKey, restCellV, wind, opinions, isCarefulFirst } = season.flights[index]!;
  const craft = await shed.craft(name);
  const figures = await shed.figuresOf(craft, modelKey);
  const seed = `${SEED}/fly/${name}/${index}`;
  const random = seededRandom(seed);
  const isPlane = craft.kind === 'plane';
  const flown = simulateCard(
    {
      massKg: craft.massKg,
      fullThrustN: figures.thrustToWeightRatio * craft.massKg * GRAVITY_M_PER_S2,
      fullCurrentA: figures.fullCurrentA * craft.rotors.length,
      pitchSpeedMPerS: figures.pitchSpeedMPerS,
      dragAreaM2,
      isPlane,
    },
    USUAL_PROTOCOL,
    wind,
    seed,
  );
  const packIds = shed.packIdsOf(name);
  const durationS = Math.round(LANDING_RATIO * figures.enduranceS * (1 + 0.03 * random.normal()));
  const hoverCurrentA =
    (figures.carryPowerW / (craft.packSeriesCount * cellVoltages[craft.packChemistry].nominalV)) *
    (1 + 0.015 * random.normal());
  const card: CreateFlightCardDto = {
    id: shed.id(`card ${name} ${index}`),
    flight: {
      id: shed.id(`card flight ${name} ${index}`),
      durationS,
      packPieceId: packIds[index % packIds.length]!,
      strikes: [],
      note: null,
    },
    propModelId: shed.modelId(modelKey),
    view: 'sight',
    payloadKg: 0,
    restCellV,
    windMPerS: wind.speedMPerS,
    ...flown,
    climbs: flown.climbs.map(({ durationS: s }) => ({ durationS: s })),
    passes: flown.passes.map((p) => ({ ...p })),
    hoverThrottleRatio: isPlane
      ? null
      : Math.round(100 * figures.carryThrottleRatio * (1 + 0.015 * random.normal())) / 100,
    hoverCurrentA: isPlane ? null : Math.round(10 * hoverCurrentA) / 10,
    takeOffRollM: isPlane ? Math.round(14 + 4 * random.next()) : null,
    usedAh: Math.round((100 * hoverCurrentA * durationS) / 3600) / 100,
    motors: craft.rotors.map(({ place, level }) => ({
      place,
      level,
      temperatureC: Math.round(figures.motorTemperatureC - 12 + 4 * random.normal()),
      touch: null,
    })),
    opinions: opinions.map((o) => ({ ...o })),
    logSha256: isPlane ? null : await loggedFlight(shed, season, index, flown, hoverCurrentA),
    isCarefulFirst,
  };
  shed.charged(card.flight.packPieceId!);
  await shed.fly.add(craft.id, card);
}

/** The logger's table of such a flight, stored: its climb, its passes and its hovers are to be found in it. */
async function loggedFlight(
  shed: Shed,
  { craft: name, flights }: DemoFlights,
  index: number,
  { climbs, passes }: SimulatedCard,
  hoverCurrentA: number,
): Promise<string> {
  const craft = await shed.craft(name);
  const { wind, modelKey } = flights[index]!;
  const { angleDegrees, lowerM, upperM } = USUAL_PROTOCOL;
  const pathM = (upperM - lowerM) / Math.sin((angleDegrees * Math.PI) / 180);
  // Climbs and passes are flown at full throttle.
  const fullRatio = passes[0]!.currentA! / hoverCurrentA;
  const log = simulateFlight(
    usualFlightPlan(`${SEED}/log/${name}/${index}`, {
      airspeedMPerS: passes.reduce((sum, p) => sum + p.groundSpeedMPerS, 0) / passes.length,
      headingsDegrees: passes.map((p) => p.trackDegrees),
      climb: { angleDegrees, pathSpeedMPerS: pathM / (climbs[0]?.durationS ?? pathM), heightM: upperM - lowerM },
      powerRatios: { climb: fullRatio, pass: fullRatio },
      wind,
      rotors: {
        count: craft.rotors.length,
        hoverRpm: await shed.hoverRpm(craft, shed.modelId(modelKey)),
        bladeCount: (await shed.model(modelKey)).bladeCount,
      },
      accelerationHz: 0,
      battery: { cellCount: craft.packSeriesCount, capacityAh: craft.packCapacityAh, hoverCurrentA },
    }),
  );
  return (await shed.blobs.store(Buffer.from(flightCsv(log)), `${name} ${index + 1}.csv`)).sha256;
}
