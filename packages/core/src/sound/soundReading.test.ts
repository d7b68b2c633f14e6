import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CoreError, NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { simulateMicrophone, type MicrophonePlan } from '../simulate/simulatedMicrophone.ts';
import { analyseWav, WAV_MAX_BYTES } from './analyseWav.ts';
import { betweenPassesDb, bladeCombs } from './bladeComb.ts';
import { bladePatterns, orderShare, patternAngles } from './bladePatterns.ts';
import {
  aWeightingDb,
  equivalentLevel,
  exceededLevel,
  levelAtDistance,
  levelOfAll,
  withoutBackground,
} from './levels.ts';
import { octaveBand, octaveBandOf } from './octaveBands.ts';
import { toneProminence } from './prominence.ts';
import { analyseSound, chainOffsetDb, drawnSpectrum, SoundAnalyser } from './soundAnalysis.ts';
import { spinDownOf, trackSpeed } from './speedTrack.ts';
import { decodeWav, readWavHeader } from './wav.ts';
import { meanSquareBetween, welchSpectrum } from './welch.ts';
import { writeWav, type WavCoding } from './writeWav.ts';

const RATE = 48_000;
const tone = (hz: number, amplitude: number, seconds: number, rateHz = RATE): Float32Array =>
  Float32Array.from(
    { length: Math.round(seconds * rateHz) },
    (_, i) => amplitude * Math.sin((2 * Math.PI * hz * i) / rateHz),
  );
const sourceOf = (bytes: Uint8Array) => ({
  byteCount: bytes.length,
  read: (from: number, to: number) => Promise.resolve(bytes.slice(from, to)),
});
const codeOf = async (work: () => unknown): Promise<string> => {
  try {
    await work();
  } catch (error) {
    return (error as CoreError).code;
  }
  return 'nothing';
};

describe('a WAV file', () => {
  const steps: Record<WavCoding, number> = {
    pcm8: 2 ** -7,
    pcm16: 2 ** -15,
    pcm24: 2 ** -23,
    pcm32: 2 ** -22,
    float32: 2 ** -22,
  };

  test('is read as it was written, in every coding, plain and extensible, each channel and their mean', () =>
    fc.assert(
      fc.property(
        fc.constantFrom<WavCoding>('pcm8', 'pcm16', 'pcm24', 'pcm32', 'float32'),
        fc.boolean(),
        fc.array(
          fc.tuple(
            fc.float({ min: -1, max: Math.fround(0.99), noNaN: true }),
            fc.float({ min: -1, max: Math.fround(0.99), noNaN: true }),
          ),
          {
            minLength: 1,
            maxLength: 40,
          },
        ),
        (coding, isExtensible, frames) => {
          const channels = [0, 1].map((c) => Float32Array.from(frames, (f) => f[c]!));
          const bytes = writeWav(channels, 44_100, coding, isExtensible);
          const format = readWavHeader(bytes, bytes.length);
          expect(format).toMatchObject({
            rateHz: 44_100,
            channelCount: 2,
            frameCount: frames.length,
            isTruncated: false,
          });
          const body = bytes.subarray(format.dataOffset, format.dataOffset + format.dataByteCount);
          for (const c of [0, 1])
            decodeWav(body, format, c).forEach((v, i) =>
              expect(Math.abs(v - channels[c]![i]!)).toBeLessThanOrEqual(steps[coding]),
            );
          decodeWav(body, format).forEach((v, i) =>
            expect(Math.abs(v - (channels[0]![i]! + channels[1]![i]!) / 2)).toBeLessThanOrEqual(steps[coding]),
          );
        },
      ),
      { seed: 5 },
    ));

  test('that breaks off is read as far as it goes; one of an interrupted recorder to its end', () => {
    const whole = writeWav([tone(500, 0.5, 0.1)], RATE);
    expect(readWavHeader(whole.slice(0, 2044), 2044)).toMatchObject({ isTruncated: true, frameCount: 1000 });
    const open = whole.slice();
    new DataView(open.buffer).setUint32(40, 0xffffffff, true);
    expect(readWavHeader(open, open.length)).toMatchObject({ isTruncated: false, frameCount: 4800 });
  });

  const named = (text: string): Uint8Array => new Uint8Array([...text.padEnd(64, ' ')].map((c) => c.charCodeAt(0)));
  const changed = (at: number, value: number): Uint8Array => {
    const bytes = writeWav([tone(500, 0.5, 0.1)], RATE);
    new DataView(bytes.buffer).setUint16(at, value, true);
    return bytes;
  };
  test.each([
    ['an MP3 with a tag', named('ID3'), 'notWav'],
    ['an MP3 without', new Uint8Array([0xff, 0xfb, ...new Array<number>(40).fill(0)]), 'notWav'],
    ['a FLAC', named('fLaC'), 'notWav'],
    ['a picture', named('GIF89a'), 'notWav'],
    ['nothing', new Uint8Array(0), 'notWav'],
    ['a header cut in the middle', writeWav([tone(500, 0.5, 0.1)], RATE).slice(0, 30), 'noSamples'],
    ['no sample', writeWav([new Float32Array(0)], RATE), 'noSamples'],
    ['a coding that is squeezed', changed(20, 0x55), 'soundKind'],
    ['twelve bits', changed(34, 12), 'soundKind'],
    ['no channel', changed(22, 0), 'soundKind'],
    ['a rate of no sound', changed(24, 100), 'soundRate'],
  ])('%s is refused', async (_name, bytes, code) => {
    expect(await codeOf(() => readWavHeader(bytes, bytes.length))).toBe(code);
  });

  test('that is too long is refused before a byte is read; one can be stopped on the way; NaN is no sound', async () => {
    const never = { byteCount: WAV_MAX_BYTES + 1, read: () => Promise.reject(new Error('read')) };
    expect(await codeOf(() => analyseWav(never))).toBe('outOfRange');
    const bytes = writeWav([tone(500, 0.5, 3)], RATE);
    await expect(
      analyseWav(sourceOf(bytes), null, () => {
        throw new Error('stopped');
      }),
    ).rejects.toThrow('stopped');
    const broken = tone(500, 0.5, 1);
    broken[77] = NaN;
    expect(await codeOf(() => analyseWav(sourceOf(writeWav([broken], RATE, 'float32'))))).toBe('notSound');
    await expect(analyseWav(sourceOf(bytes), 1)).rejects.toThrow(OutOfRangeError);
  });

  test('says the same whole or in pieces', async () => {
    const sound = simulateMicrophone({ seed: 'pieces', rateHz: RATE, durationS: 2, rotors: [], rushDb: 70 });
    const { analysis } = await analyseWav(sourceOf(writeWav([sound], RATE, 'float32')));
    const whole = analyseSound(sound, RATE);
    expect(analysis.levels).toEqual(whole.levels);
    expect(analysis.overTime).toEqual(whole.overTime);
  });
});

describe('levels', () => {
  test('of a tone at a kilohertz are the same under every weighting, and what a meter shows on fast', () => {
    const { levels, thirds } = analyseSound(tone(1000, Math.SQRT2, 4), RATE);
    for (const level of [
      levels.aDb,
      levels.cDb,
      levels.zDb,
      levels.highestADb!,
      levels.tenthADb!,
      levels.ninetiethADb!,
    ])
      expect(level).toBeCloseTo(93.98, 1);
    const loudest = [...thirds].sort((a, b) => (b.levelDb ?? -1e9) - (a.levelDb ?? -1e9))[0]!;
    expect(loudest.centreHz).toBeCloseTo(1000, 6);
    expect(chainOffsetDb(94, levels.aDb)).toBeCloseTo(0.02, 1);
  });

  // IEC 61672: a tone that lasts 200 ms is shown 1 dB lower on fast than one that lasts.
  test.each([
    [200, -1],
    [500, -0.1],
    [50, -4.8],
  ])('on fast a burst of %d ms is %d dB under a steady tone', (ms, expected) => {
    const sound = new Float32Array(3 * RATE);
    sound.set(tone(4000, 0.1, ms / 1000), 1.5 * RATE);
    const steady = analyseSound(tone(4000, 0.1, 3), RATE).levels.highestADb!;
    expect(analyseSound(sound, RATE).levels.highestADb! - steady).toBeCloseTo(expected, 0);
  });

  test.each([8000, 22_050, 44_100, 96_000])('at %d Hz the meter’s filter follows the curve', (rateHz) => {
    for (const hz of [63, 250, 1000, rateHz / 5]) {
      const { levels } = analyseSound(tone(hz, 0.1, 2, rateHz), rateHz);
      expect(levels.aDb - levels.zDb).toBeCloseTo(aWeightingDb(hz), 1);
      expect(Math.abs(levels.highestADb! - levels.aDb)).toBeLessThan(1.2);
    }
  });

  test('add as energies, fall with distance, and leave the place out as far as it can be', () => {
    expect(levelOfAll([60, 60, 60, 60])).toBeCloseTo(66.02, 2);
    expect(equivalentLevel([60, 70], [1, 1])).toBeCloseTo(67.4, 1);
    expect(exceededLevel([1, 2, 3, 4, 5], 50)).toBe(3);
    expect(levelAtDistance(70, 4, 8)).toBeCloseTo(63.98, 2);
    expect(withoutBackground(levelOfAll([60, 55]), 55)).toEqual({
      levelDb: expect.closeTo(60, 9),
      status: 'corrected',
    });
    expect(withoutBackground(56, 55).status).toBe('upperBound');
    expect(withoutBackground(70, 55)).toEqual({ levelDb: 70, status: 'clear' });
    expect(() => levelOfAll([])).toThrow(NotEnoughReadingsError);
    expect(() => equivalentLevel([60], [0])).toThrow(OutOfRangeError);
  });

  test('silence is silence, a moment is too short, what was cut off is said with its share', () => {
    expect(() => analyseSound(new Float32Array(RATE), RATE)).toThrow(CoreError);
    expect(() => analyseSound(tone(1000, 0.1, 0.1), RATE)).toThrow(NotEnoughReadingsError);
    const cut = tone(200, 2, 1).map((v) => Math.max(-1, Math.min(1, v)));
    expect(analyseSound(cut, RATE).clippedRatio).toBeGreaterThan(0.5);
    expect(analyseSound(tone(200, 0.9, 1), RATE).clippedRatio).toBe(0);
    expect(() => new SoundAnalyser(1000)).toThrow(OutOfRangeError);
  });

  test('a band holds its lower edge and not its upper one; the drawn ones keep the power of the spectrum', () => {
    const band = octaveBand(3, 24);
    expect([octaveBandOf(band.lowerHz * 1.0000001, 24).index, octaveBandOf(band.upperHz, 24).index]).toEqual([3, 4]);
    const { spectrum } = analyseSound(tone(700, 0.2, 2), RATE);
    const most = Math.max(...drawnSpectrum(spectrum).map((b) => b.levelDb!));
    expect(10 ** (most / 10) * 4e-10).toBeCloseTo(meanSquareBetween(spectrum, 600, 800), 3);
  });

  test('the picture of a long sound keeps its size', () => {
    const analyser = new SoundAnalyser(8000);
    const second = tone(440, 0.2, 1, 8000);
    for (let s = 0; s < 120; s++) analyser.push(second);
    const { picture, overTime } = analyser.finish();
    expect(picture.columns.length).toBeLessThanOrEqual(256);
    expect(picture.columns.length * picture.stepS).toBeCloseTo(120, -1);
    expect(overTime.aDb).toHaveLength(960);
  });
});

describe('blades', () => {
  const plan = (more: Partial<MicrophonePlan> = {}): MicrophonePlan => ({
    seed: 'blades',
    rateHz: 16_000,
    durationS: 2.5,
    rotors: [{ rpm: 7200, bladeCount: 3, toneDb: 66, fallDb: 4, unevenRatio: 0.02 }],
    rushDb: 60,
    backgroundDb: 40,
    ...more,
  });
  const heard = (p: MicrophonePlan) => analyseSound(simulateMicrophone(p), p.rateHz).spectrum;
  const usual = heard(plan());

  test('tell the speed, its lines stand out, and nothing else would do', () => {
    const [comb] = bladeCombs(usual, { bladeCount: 3 });
    expect(comb!.rpm).toBeCloseTo(7200, -1);
    expect(comb!.otherRpm).toEqual([]);
    expect(comb!.lines[0]).toMatchObject({ order: 1, prominence: { isProminent: true } });
    expect(comb!.lines[0]!.levelDb).toBeCloseTo(66, 0);
    expect(bladeCombs(usual, { bladeCount: 2 })[0]!.rpm).toBeCloseTo(10_800, -1);
  });

  test('of four rotors are told apart; noise has none; a rough speed leads to its own', () => {
    const rpm = [6900, 7050, 7210, 7400];
    const four = plan({
      rotors: rpm.map((r) => ({ rpm: r, bladeCount: 3, toneDb: 62, fallDb: 3, unevenRatio: 0.01 })),
    });
    const found = bladeCombs(heard(four), { bladeCount: 3, rotorCount: 4 })
      .map((c) => c.rpm)
      .sort((a, b) => a - b);
    expect(found).toHaveLength(4);
    found.forEach((r, i) => expect(r / rpm[i]!).toBeCloseTo(1, 2));
    expect(bladeCombs(heard(plan({ rotors: [] })), { bladeCount: 3 })).toEqual([]);
    expect(bladeCombs(usual, { bladeCount: 3, roughRpm: 14_000 })[0]?.rpm ?? 0).not.toBeCloseTo(7200, -2);
    expect(() => bladeCombs(usual, { bladeCount: 0 })).toThrow(OutOfRangeError);
  });

  test('that are not alike are heard at every turn, even ones at the passes alone', () => {
    const between = (unevenRatio: number): number | null => {
      const spectrum = heard(
        plan({ rotors: [{ rpm: 7200, bladeCount: 3, toneDb: 75, fallDb: 4, unevenRatio }], rushDb: 50 }),
      );
      return betweenPassesDb(spectrum, bladeCombs(spectrum, { bladeCount: 3, roughRpm: 7000 })[0]!, 3);
    };
    expect(between(0.2)!).toBeGreaterThan(-24);
    expect(between(0) ?? -100).toBeLessThan(-30);
  });

  test('a tone in noise stands out by its power over that of the bands beside it', () => {
    const sound = simulateMicrophone({ seed: 'noise', rateHz: RATE, durationS: 8, rotors: [], rushDb: 70 });
    const spectrum = welchSpectrum(
      sound.map((v, i) => v + 0.05 * Math.sin((2 * Math.PI * 1500 * i) / RATE)),
      RATE,
      8192,
    );
    expect(toneProminence(spectrum, 1500)!.isProminent).toBe(true);
    expect(toneProminence(spectrum, 1900)!.isProminent).toBe(false);
    expect(toneProminence(spectrum, 50)).toBeNull();
    expect(toneProminence(spectrum, 23_900)).toBeNull();
  });

  test('set in some slots of a hub leave what their angles leave', () => {
    expect(bladePatterns(6, 3).map((p) => [p.slots, p.isEven, p.isBalanced])).toEqual([
      [[0, 2, 4], true, true],
      [[0, 1, 2], false, false],
      [[0, 1, 3], false, false],
    ]);
    // Two pairs at right angles and two pairs nearly together balance alike and sound unlike.
    const [even, uneven] = bladePatterns(8, 4).filter((p) => p.isBalanced);
    expect([orderShare(patternAngles(even!.slots, 8), 4), orderShare(patternAngles(even!.slots, 8), 2)]).toEqual([
      expect.closeTo(1, 9),
      expect.closeTo(0, 9),
    ]);
    expect(orderShare(patternAngles(uneven!.slots, 8), 2)).toBeGreaterThan(0.1);
    expect(() => bladePatterns(13, 3)).toThrow(OutOfRangeError);
  });

  test('are followed as they run down: when they were cut, and how long to half', () => {
    const rateHz = 24_000;
    const after = (t: number): number => (t < 2.5 ? 7000 : 7000 / (1 + 3 * (t - 2.5)));
    let turns = 0;
    const sound = Float32Array.from({ length: 5 * rateHz }, (_, i) => {
      const rpm = after(i / rateHz);
      turns += rpm / 60 / rateHz;
      const push = 0.1 * (rpm / 7000) ** 1.5;
      return (
        push *
        (Math.sin(4 * Math.PI * turns) + 0.5 * Math.sin(8 * Math.PI * turns) + 0.3 * Math.sin(12 * Math.PI * turns))
      );
    });
    const track = trackSpeed(sound, rateHz, { bladeCount: 2 });
    track.filter((s) => s.timeS < 2.4).forEach((s) => expect(s.rpm).toBeCloseTo(7000, -2));
    const down = spinDownOf(track)!;
    expect(down.cutS).toBeCloseTo(2.5, 0);
    expect(down.toHalfS).toBeCloseTo(1 / 3, 1);
    expect(spinDownOf(track.filter((s) => s.timeS < 2.4))).toBeNull();
    expect(() => trackSpeed(new Float32Array(10 * 4000), 100, { bladeCount: 2 })).toThrow(OutOfRangeError);
  });
});
