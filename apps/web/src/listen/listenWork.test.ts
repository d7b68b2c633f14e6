import { expect, test } from '@jest/globals';
import { simulateMicrophone, writeWav } from '@zivvo/core';
import { soundProblem } from './listenView.ts';
import { ListenWork } from './listenWork.ts';
import { workProblemOf } from '../shared/worker/workProblem.ts';

const RATE_HZ = 24_000;
const sound = simulateMicrophone({
  seed: 'work',
  rateHz: RATE_HZ,
  durationS: 3,
  rotors: [{ rpm: 8000, bladeCount: 3, toneDb: 74, fallDb: 4, unevenRatio: 0.03 }],
  rushDb: 68,
});
// jsdom's File cannot be read; Node's Blob can, and is all that is needed of one.
const fileOf = (bytes: Uint8Array): File => new Blob([bytes as BlobPart]) as File;

test('a file is heard with its progress; then blades are asked for, and what is kept has their lines', async () => {
  const work = new ListenWork();
  expect(work.blades({ bladeCount: 3 })).toBeNull();
  const shares: number[] = [];
  const heard = await work.hear(fileOf(writeWav([sound], RATE_HZ, 'pcm24')), (share) => void shares.push(share));
  expect(heard).toMatchObject({ rateHz: RATE_HZ, channelCount: 1, isTruncated: false, clippedRatio: 0 });
  expect([shares[0], heard.sound.lines.length]).toEqual([0, 0]);
  const { combs, sound: kept } = work.blades({ bladeCount: 3 })!;
  expect(combs[0]!.rpm).toBeCloseTo(8000, -1);
  expect(kept.lines[0]).toMatchObject({ order: 1 });
  expect(kept.spectrum.length).toBeLessThanOrEqual(320);
});

test('a moment of a live sound has its level and its comb; silence is no fault', () => {
  const work = new ListenWork();
  const moment = work.moment(sound.slice(0, RATE_HZ), RATE_HZ, { bladeCount: 3 });
  expect(moment!.comb!.rpm).toBeCloseTo(8000, -2);
  expect(work.moment(new Float32Array(RATE_HZ), RATE_HZ, { bladeCount: 3 })).toBeNull();
});

test('a steady sound is followed and does not run down', async () => {
  const { track, spinDown } = await new ListenWork().follow(fileOf(writeWav([sound], RATE_HZ)), { bladeCount: 3 });
  expect(track.length).toBeGreaterThan(20);
  expect(spinDown).toBeNull();
});

test('an hour is not followed, and not read for it', async () => {
  // A header of a recorder that is still writing: as long as the file is.
  const head = writeWav([sound], RATE_HZ).slice(0, 44).fill(0xff, 40, 44);
  const opened = Object.assign(fileOf(head), { slice: () => new Blob([head]) });
  Object.defineProperty(opened, 'size', { value: 44 + 2 * 3600 * RATE_HZ });
  const problem = await new ListenWork().follow(opened, { bladeCount: 3 }).catch(workProblemOf);
  expect(soundProblem(problem as ReturnType<typeof workProblemOf>)).toMatch(/longer than two minutes/);
});

test.each([
  ['an MP3', new Uint8Array([0xff, 0xfb, 0x90, ...new Array<number>(60).fill(0)]), /MP3/],
  ['silence', writeWav([new Float32Array(RATE_HZ)], RATE_HZ), /Silence/],
  ['a moment', writeWav([sound.slice(0, 1000)], RATE_HZ), /shorter than a third/],
  ['a header alone', writeWav([sound], RATE_HZ).slice(0, 44), /no sound behind it/],
])('%s is refused with a sentence', async (_name, bytes, said) => {
  const problem = await new ListenWork().hear(fileOf(bytes), () => undefined).catch(workProblemOf);
  expect(soundProblem(problem as ReturnType<typeof workProblemOf>)).toMatch(said);
});
