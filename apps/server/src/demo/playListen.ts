import type { CraftView, CreateListeningDto, CreateTakeDto } from '@zivvo/contract';
import {
  analyseWav,
  bladeCombs,
  carryThrustN,
  chainOffsetDb,
  heardSound,
  levelAtDistance,
  PICK_LISTENER,
  seededRandom,
  simulateMicrophone,
  sonicTipRpm,
  writeWav,
  type HeardRotor,
} from '@zivvo/core';
import type { Diary } from './diary.ts';
import { SEED, type Shed } from './shed.ts';
import { at, demoListenings, type DemoListening } from './tarnholm.ts';

const TAKE_H = 0.08;
const RATE_HZ = 24_000;
const TAKE_S = 6;
/** Parts of full scale that the recorder makes of a pascal. */
const RECORDER_PER_PA = 2.4;
/** How much of a prop's level its first pass and its rush have [dB under it]. */
const PASS_DB = { 2: -3, 3: -6, 4: -8 } as Record<number, number>;
const RUSH_DB = -1.5;
/** For ten times the thrust. */
const SLOPE_DB = 29;

/** Evenings on which props were listened to. */
export function playListen(diary: Diary, shed: Shed): void {
  for (const listening of demoListenings) {
    const { daysAgo, hour } = listening;
    diary.plan(at(daysAgo, hour), () => begin(shed, listening));
    listening.takes.forEach((_, i) => diary.plan(at(daysAgo, hour + TAKE_H * (i + 1)), () => take(shed, listening, i)));
  }
}

const nameOf = ({ craft, daysAgo }: DemoListening): string => `${craft} ${daysAgo}`;
const listeningId = (shed: Shed, listening: DemoListening): string => shed.id(`listening ${nameOf(listening)}`);

/** Rotors that turn: all of the craft, or the one on the stand. */
const turning = ({ heardOn }: DemoListening, craft: CraftView): number =>
  heardOn === 'stand' ? 1 : craft.rotors.length;

async function begin(shed: Shed, listening: DemoListening): Promise<void> {
  const craft = await shed.craft(listening.craft);
  const body: CreateListeningDto = {
    id: listeningId(shed, listening),
    heardOn: listening.heardOn,
    method: listening.method,
    place: listening.place,
    surface: 'grass',
    distanceM: listening.distanceM,
    heightM: 1.6,
    windMPerS: 1.2,
    note: null,
    // A pistonphone's tone before the first take: what full scale stands for on this recorder.
    chainOffsetDb: listening.method === 'recording' ? chainOffsetDb(94, 94 + 20 * Math.log10(RECORDER_PER_PA)) : null,
  };
  await shed.listen.begin(craft.id, body);
}

async function take(shed: Shed, listening: DemoListening, index: number): Promise<void> {
  const craft = await shed.craft(listening.craft);
  const [modelKey, thrustRatio] = listening.takes[index]!;
  const seed = `${SEED}/listen/${nameOf(listening)}/${index}`;
  const random = seededRandom(seed);
  const common = {
    id: shed.id(`take ${nameOf(listening)} ${index}`),
    propModelId: modelKey === null ? null : shed.modelId(modelKey),
    pattern: null,
    distanceM: listening.distanceM,
    thrustN:
      modelKey === null
        ? null
        : thrustRatio * carryThrustN(craft.massKg, craft.rotors.length, craft.kind) * turning(listening, craft),
    rpm: null,
    spinDownS: modelKey === null ? null : Math.round(100 * (0.9 + 0.5 * random.next())) / 100,
    clippedRatio: 0,
    sound: null,
    soundSha256: null,
    runId: null,
    flightCardId: null,
    note: null,
  } satisfies Partial<CreateTakeDto>;
  const levelDb =
    modelKey === null
      ? null
      : (await levelOf(shed, listening, modelKey, random.normal())) + SLOPE_DB * Math.log10(thrustRatio);
  const body: CreateTakeDto =
    listening.method === 'recording'
      ? { ...common, ...(await recorded(shed, listening, { modelKey, thrustRatio, levelDb }, seed)) }
      : { ...common, levelDb: Math.round(10 * (levelDb ?? listening.placeDb)) / 10 };
  await shed.listen.take(craft.id, listeningId(shed, listening), body);
}

/** How loud a prop is there: what its figures say, brought nearer, and what makes it its own. */
async function levelOf(shed: Shed, listening: DemoListening, modelKey: string, waver: number): Promise<number> {
  const craft = await shed.craft(listening.craft);
  const figures = await shed.figuresOf(craft, modelKey);
  const own = 3 * seededRandom(`${SEED}/sound of ${modelKey}`).normal();
  const fewerDb = 10 * Math.log10(turning(listening, craft) / craft.rotors.length);
  return (
    levelAtDistance(figures.levelDb, PICK_LISTENER.distanceM, listening.distanceM) + fewerDb - 2.5 + own + 0.4 * waver
  );
}

/** A recording of a craft in hover, stored, and what is heard in it. */
async function recorded(
  shed: Shed,
  listening: DemoListening,
  { modelKey, thrustRatio, levelDb }: { modelKey: string | null; thrustRatio: number; levelDb: number | null },
  seed: string,
): Promise<Pick<CreateTakeDto, 'levelDb' | 'rpm' | 'clippedRatio' | 'sound' | 'soundSha256'>> {
  const craft = await shed.craft(listening.craft);
  const model = modelKey === null ? null : await shed.model(modelKey);
  const rotorCount = turning(listening, craft);
  const rpm = model === null ? 0 : Math.sqrt(thrustRatio) * (await shed.hoverRpm(craft, model.id));
  const random = seededRandom(`${seed}/rotors`);
  const rotors: HeardRotor[] =
    model === null || levelDb === null
      ? []
      : Array.from({ length: rotorCount }, () => ({
          rpm: rpm * (1 + 0.02 * random.normal()),
          bladeCount: model.bladeCount,
          toneDb: levelDb + (PASS_DB[model.bladeCount] ?? -8) - 10 * Math.log10(rotorCount),
          fallDb: 4,
          unevenRatio: 0.03,
        }));
  const pressures = simulateMicrophone({
    seed,
    rateHz: RATE_HZ,
    durationS: TAKE_S,
    rotors,
    rushDb: levelDb === null ? null : levelDb + RUSH_DB,
    backgroundDb: listening.placeDb + 6,
    reflection: { ratio: 0.35, delayS: 0.0031 },
    wanderRatio: 0.0008,
  });
  const bytes = writeWav([pressures.map((p) => p * RECORDER_PER_PA)], RATE_HZ);
  const source = {
    byteCount: bytes.length,
    read: (from: number, to: number) => Promise.resolve(bytes.slice(from, to)),
  };
  const { analysis } = await analyseWav(source);
  const comb =
    model === null
      ? undefined
      : bladeCombs(analysis.spectrum, {
          bladeCount: model.bladeCount,
          rotorCount,
          mostRpm: sonicTipRpm(model.diameterM),
        })[0];
  const { sha256 } = await shed.blobs.store(Buffer.from(bytes), `${nameOf(listening)} ${modelKey ?? 'place'}.wav`);
  return {
    levelDb: analysis.levels.aDb,
    rpm: comb?.rpm ?? null,
    clippedRatio: analysis.clippedRatio,
    sound: heardSound(analysis, comb && model ? { comb, bladeCount: model.bladeCount } : null),
    soundSha256: sha256,
  };
}
