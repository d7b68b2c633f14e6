import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { signTest } from '../statistics/signTest.ts';
import { correctSound } from './correctSound.ts';
import { hearListening, type ListeningSetup } from './hearListening.ts';
import { listenStop } from './listenStop.ts';
import { rankSounds, type LevelAtThrust } from './rankSounds.ts';
import { hearTakes, type SoundTake } from './soundTake.ts';

const setup: ListeningSetup = { method: 'meter', distanceM: 4, isCalibrated: true };
let count = 0;
const take = (soundKey: string | null, levelDb: number | null, more: Partial<SoundTake> = {}): SoundTake => ({
  id: `t${count++}`,
  soundKey,
  levelDb,
  distanceM: 4,
  thrustN: soundKey === null ? null : 20,
  clippedRatio: 0,
  ...more,
});
const props = [
  { soundKey: 'a', name: 'A 7×4×3', bladeCount: 3 },
  { soundKey: 'b', name: 'B 7×4×2', bladeCount: 2 },
];
const codes = (takes: SoundTake[], more: Partial<ListeningSetup> = {}, reference: string | null = 'a'): string[] =>
  hearListening({ ...setup, ...more }, takes, props, reference, null).reasons.map((r) => r.code);

describe('takes', () => {
  test('are brought to one distance with the place taken out, and say when they cannot be', () => {
    const heard = hearTakes([take(null, 50), take('a', 70), take('a', 64, { distanceM: 8 }), take('b', 52)], 4);
    expect(heard.map((h) => [h.status, h.fault])).toEqual([
      ['clear', null],
      ['clear', null],
      ['upperBound', 'underBackground'],
    ]);
    expect(heard[1]!.levelDb).toBeCloseTo(70.02, 2);
  });

  test('without a place count with it in; cut ones and those without a thrust do not count', () => {
    const heard = hearTakes(
      [take('a', 70), take('a', 70, { clippedRatio: 0.02 }), take('a', 70, { thrustN: null })],
      4,
    );
    expect(heard.map((h) => [h.status, h.fault])).toEqual([
      ['unknown', null],
      ['unknown', 'clipped'],
      ['unknown', 'noThrust'],
    ]);
  });

  test('walked away from stand for differences: twice as far is 6 dB louder', () => {
    const walked = (key: string, distanceM: number) => take(key, null, { distanceM });
    const { ranking } = hearListening(
      { ...setup, method: 'walkAway', isCalibrated: false },
      [walked('a', 120), walked('b', 60), walked('b', 61), walked('a', 118)],
      props,
      'a',
      null,
    );
    expect(ranking!.sounds[0]).toMatchObject({ soundKey: 'b', verdict: 'quieter' });
    expect(ranking!.sounds[0]!.differenceDb!).toBeCloseTo(-5.9, 1);
  });
});

describe('a ranking at equal thrust', () => {
  const line = (key: string, levelDb: number, thrusts: readonly number[], slope = 30): LevelAtThrust[] =>
    thrusts.map((t) => ({ soundKey: key, levelDb: levelDb + slope * Math.log10(t / 20), thrustN: t }));

  test('takes thrust out: a prop that was heard at twice the thrust is not louder for it', () => {
    const { sounds, slopeDb } = rankSounds([...line('a', 70, [15, 20, 27]), ...line('b', 70, [30, 40, 54])], 'a', 20);
    expect(sounds.map((s) => s.verdict).sort()).toEqual(['reference', 'same']);
    expect(slopeDb).toBeCloseTo(30, 0);
    expect(sounds.find((s) => s.soundKey === 'b')!.isExtended).toBe(true);
  });

  test('a take each tells 4 dB apart and not 1 dB; more takes tell more', () => {
    const of = (difference: number, times: number): string => {
      const takes = Array.from({ length: times }, () => [
        ...line('a', 70, [20]),
        ...line('b', 70 - difference, [20]),
      ]).flat();
      return rankSounds(takes, 'a', 20).sounds.find((s) => s.soundKey === 'b')!.verdict;
    };
    expect([of(4, 1), of(1, 1), of(1, 6)]).toEqual(['quieter', 'same', 'quieter']);
  });

  test('its intervals hold the truth as often as they say, and the order of the takes does not matter', () => {
    const random = seededRandom('coverage');
    let held = 0;
    for (let i = 0; i < 300; i++) {
      const noisy = (l: LevelAtThrust): LevelAtThrust => ({ ...l, levelDb: l.levelDb + 0.9 * random.normal() });
      const truth = 4 * random.normal();
      const takes = [...line('a', 70, [14, 20, 28]), ...line('b', 70 + truth, [14, 20, 28])].map(noisy);
      const b = rankSounds(takes, 'a', 20).sounds.find((s) => s.soundKey === 'b')!;
      if (Math.abs(b.differenceDb! - truth) <= b.differenceHalfWidthDb!) held++;
      const turned = rankSounds([...takes].reverse(), 'a', 20).sounds.find((s) => s.soundKey === 'b')!;
      expect(turned.differenceDb).toBeCloseTo(b.differenceDb!, 9);
    }
    expect(held / 300).toBeGreaterThan(0.91);
    expect(held / 300).toBeLessThan(0.995);
  });

  test('louder by the same everywhere moves no difference', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 200, noNaN: true }),
        (shift, at) => {
          const takes = [...line('a', 70, [15, 20, 27]), ...line('b', 67.3, [18, 22])];
          const moved = takes.map((t) => ({ ...t, levelDb: t.levelDb + shift }));
          const of = (list: LevelAtThrust[]) => rankSounds(list, 'a', at).sounds.find((s) => s.soundKey === 'b')!;
          expect(of(moved).differenceDb).toBeCloseTo(of(takes).differenceDb!, 6);
        },
      ),
      { numRuns: 50 },
    ));

  test('of nothing is empty, and no thrust is no comparison', () => {
    expect(rankSounds([], 'a', 20).sounds).toEqual([]);
    expect(() => rankSounds(line('a', 70, [20]), 'a', 0)).toThrow(OutOfRangeError);
    expect(hearListening(setup, [take('a', 70, { thrustN: null })], props, 'a', null).ranking).toBeNull();
  });
});

describe('what a listening means', () => {
  const good = [take(null, 40), take('a', 70), take('b', 65), take('a', 70.2)];

  test('a good one says only what was heard', () => {
    expect(codes(good)).toEqual(['listen.quieter', 'listen.fewerBlades']);
    expect(codes([take(null, 40), take('a', 70), take('b', 70), take('a', 70)])).toEqual([
      'listen.same',
      'listen.bladesAlike',
    ]);
    expect(codes([take(null, 40), take('a', 70), take('b', 76), take('a', 70)])).toContain('listen.louder');
  });

  test.each<[string, SoundTake[], Partial<ListeningSetup>, string | null, string]>([
    ['no take of the place', good.slice(1), {}, 'a', 'listen.noBackground'],
    ['a take under the place', [...good, take('b', 41)], {}, 'a', 'listen.underBackground'],
    ['a take near the place', [take(null, 62), ...good.slice(1)], {}, 'a', 'listen.corrected'],
    ['a cut take', [...good, take('b', 60, { clippedRatio: 0.01 })], {}, 'a', 'listen.clipped'],
    ['no thrust', [...good, take('b', 60, { thrustN: null })], {}, 'a', 'listen.noThrust'],
    ['the reference not last', good.slice(0, 3), {}, 'a', 'listen.bracket'],
    ['a reference that moved', [...good, take('a', 74)], {}, 'a', 'listen.drift'],
    ['no reference', [take(null, 40), take('b', 70)], {}, 'a', 'listen.noReference'],
    ['nobody said which', good, {}, null, 'listen.noReference'],
    ['a chain of unknown gain', good, { isCalibrated: false }, 'a', 'listen.relative'],
  ])('%s is said', (_name, takes, more, reference, code) => expect(codes(takes, more, reference)).toContain(code));

  test('nothing is said of nothing; a thrust far away is extended', () => {
    expect(codes([])).toEqual([]);
    expect(codes([take(null, 40)])).toEqual([]);
    const far = hearListening(setup, good, props, 'a', 60);
    expect(far.reasons.map((r) => r.code)).toContain('listen.extended');
    expect(far.driftDb).toBeCloseTo(0.2, 1);
  });

  test.each([
    [{ takeCount: 0, propCount: 0, hasBackground: true, hasReference: false }, 'empty'],
    [{ takeCount: 3, propCount: 1, hasBackground: true, hasReference: true }, 'half'],
    [{ takeCount: 3, propCount: 2, hasBackground: false, hasReference: true }, 'half'],
    [{ takeCount: 3, propCount: 2, hasBackground: true, hasReference: true }, 'full'],
  ])('its stop of the line: %j', (facts, state) => expect(listenStop(facts).state).toBe(state));
});

test('takes of one’s own correct the model, the more the better; without one it stays as unsure as it is', () => {
  expect(correctSound([])).toEqual({ offsetDb: 0, halfWidthDb: 12, count: 0 });
  const one = correctSound([{ measuredDb: 66, predictedDb: 60 }]);
  const four = correctSound(Array.from({ length: 4 }, () => ({ measuredDb: 66, predictedDb: 60 })));
  expect(one.offsetDb).toBeCloseTo(5.4, 1);
  expect(four.offsetDb).toBeGreaterThan(one.offsetDb);
  expect([one.halfWidthDb < 6, four.halfWidthDb < one.halfWidthDb, four.halfWidthDb > 4]).toEqual([true, true, true]);
});

test('votes against chance: exact, even both ways, never above one', () => {
  expect(signTest(5, 5)).toBeCloseTo(2 / 32, 12);
  expect(signTest(8, 10)).toBeCloseTo(0.109375, 12);
  expect(signTest(2, 10)).toBeCloseTo(0.109375, 12);
  expect(signTest(5, 10)).toBe(1);
  expect(() => signTest(3, 2)).toThrow(OutOfRangeError);
});
