import { requirePositive } from '../errors/guards.ts';
import { normalCdf, normalDensity } from '../statistics/normal.ts';
import { OPEN_DEVIATION, scoresOf, verdict, type Contender, type Wish } from './verdict.ts';

/** A way to learn more: which wishes it tells of, how well, in how much time. */
export interface TestWay {
  name: string;
  /** By the wish: standard deviation of one such test. */
  tells: Readonly<Partial<Record<string, number>>>;
  minutes: number;
}

/** One test of one prop, and what it is worth. */
export interface NextTest {
  contenderId: string;
  way: string;
  minutes: number;
  /** By how much the chosen prop may be expected to be better for it, as a gain of the score. */
  expectedGain: number;
  /** The same for every minute of work: tests are ordered by it. */
  gainPerMinute: number;
}

/** A test that makes the choice better by less than this share of what matters is not worth its work. */
const WORTH_SHARE = 0.002;

/**
 * What to measure next: each test of each prop by what it adds to the expected score of the prop that is then chosen, a
 * minute of work (the knowledge gradient of independent normal beliefs).
 *
 *   σ̃² = σ² − σ′², ν = σ̃·(ζ·Φ(ζ) + φ(ζ)), ζ = −|s_i − max_{j≠i} s_j|/σ̃
 *
 * @returns the best first; none once the winner is named, or nothing that is worth its work is left
 * @see P. Frazier, W. Powell, S. Dayanik, A knowledge-gradient policy for sequential information collection, 2008
 * @throws {OutOfRangeError} as `verdict`, or for a way that takes no time
 */
export function nextTests(
  contenders: readonly Contender[],
  wishes: readonly Wish[],
  ways: readonly TestWay[],
): NextTest[] {
  const { winnerId, mattersScore } = verdict(contenders, wishes);
  if (winnerId !== null || contenders.length < 2) return [];
  const scored = scoresOf(contenders, wishes);
  const total = wishes.reduce((sum, w) => sum + Math.max(0, w.weight), 0);
  const tests = contenders.flatMap((contender, i) => {
    const others = Math.max(...scored.filter((_, j) => j !== i).map((s) => s.score));
    return ways.flatMap((way): NextTest[] => {
      requirePositive(`minutes.${way.name}`, way.minutes);
      const moved = wishes.reduce((sum, { name, weight }) => {
        const noise = way.tells[name];
        if (noise === undefined || weight <= 0) return sum;
        const before = (contender.evidence[name]?.deviation ?? OPEN_DEVIATION) ** 2;
        const learnt = (before * before) / (before + noise ** 2);
        return sum + (weight / total) ** 2 * learnt;
      }, 0);
      if (moved === 0) return [];
      const swing = Math.sqrt(moved);
      const z = -Math.abs(scored[i]!.score - others) / swing;
      const expectedGain = swing * (z * normalCdf(z) + normalDensity(z));
      return [
        {
          contenderId: contender.id,
          way: way.name,
          minutes: way.minutes,
          expectedGain,
          gainPerMinute: expectedGain / way.minutes,
        },
      ];
    });
  });
  return tests
    .filter((t) => t.expectedGain > WORTH_SHARE * mattersScore)
    .sort((a, b) => b.gainPerMinute - a.gainPerMinute);
}

/** What is known after one more test: readings joined by what each is sure of. */
export function withReading(
  before: { gain: number; deviation: number } | undefined,
  gain: number,
  deviation: number,
): { gain: number; deviation: number } {
  if (!before) return { gain, deviation };
  const [a, b] = [1 / before.deviation ** 2, 1 / deviation ** 2];
  return { gain: (a * before.gain + b * gain) / (a + b), deviation: Math.sqrt(1 / (a + b)) };
}
