import { expect, test } from '@jest/globals';
import {
  candidateReasons,
  CoefficientTables,
  criteria,
  criterionNames,
  evaluateCandidate,
  labelGeometry,
  prepareCraft,
  STANDARD_ROTOR_AIR,
  type PickCraft,
  type PickFigures,
  type Reason,
  type Scale,
  type Weights,
  type WorkedProp,
} from '@zivvo/core';
import fc from 'fast-check';
import { reasonSentence } from './reasonSentence.ts';
import { defaultUnits } from './unitChoices.ts';

const INCH_M = 0.0254;
const craft: PickCraft = {
  kind: 'multirotor',
  rotorCount: 4,
  gearRatio: 1,
  shaftDiameterM: null,
  needed: { cwCount: 2, ccwCount: 2 },
  isCoaxial: false,
  armM: 0.147,
  neighbourDistanceM: 0.208,
  clearanceDiameterM: 0.2,
  groundClearanceM: null,
  boomClearanceM: null,
  massKg: 1.9,
  motor: {
    statorDiameterM: 0.025,
    statorHeightM: 0.007,
    kvRpmPerV: 1080,
    resistanceOhm: null,
    noLoadCurrentA: null,
    massKg: null,
  },
  motorLimitA: null,
  escLimitA: 42,
  pack: { chemistry: 'lipo', seriesCount: 6, capacityAh: 4, cellResistanceOhm: null, cRating: null },
  standbyPowerW: 5,
  ductThrustRatio: null,
  style: 'normal',
  airC: 15,
};
const present: WorkedProp = evaluateCandidate(
  prepareCraft(craft, new CoefficientTables(STANDARD_ROTOR_AIR)),
  labelGeometry(7.2 * INCH_M, 3.9 * INCH_M, 3, 'standard', 'polycarbonate'),
);
const scale = Object.fromEntries(criterionNames.map((name) => [name, { bad: -10, good: 10 }])) as Scale;
const weights = Object.fromEntries(criterionNames.map((name) => [name, 5])) as Weights;

/** What each sentence says of the direction, as a reader takes it. */
const DIRECTIONS: readonly (readonly [words: RegExp, isMore: boolean])[] = [
  [/flies .* longer than/, true],
  [/flies shorter/, false],
  [/answers .* sooner/, false],
  [/answers later/, true],
  [/quieter at 20 m/, false],
  [/louder at 20 m/, true],
  [/finer low down/, false],
  [/coarser low down/, true],
  [/survives strikes better/, true],
  [/survives strikes worse/, false],
];

/** A candidate like the present prop, each figure changed by its own factor. */
const changed = fc.record(
  Object.fromEntries(
    criterionNames.map((name) => [criteria[name].figure, fc.double({ min: 0.3, max: 3, noNaN: true })]),
  ) as Record<keyof PickFigures, fc.Arbitrary<number>>,
);

function candidateOf(factors: Partial<Record<keyof PickFigures, number>>): WorkedProp {
  const figures = { ...present.figures };
  for (const [name, factor] of Object.entries(factors)) figures[name as keyof PickFigures] *= factor;
  return { ...present, figures };
}
const toldOf = (candidate: WorkedProp): Reason[] =>
  candidateReasons(
    { craft, air: STANDARD_ROTOR_AIR } as never,
    { name: 'Tamsk 7.7x4x3', candidate },
    { name: 'Brindlow 7.2x3.9x3', candidate: present },
    scale,
    weights,
  ).filter((r) => /^pick\.(gains|pays)\./.test(r.code));

test('whatever gained and whatever was paid, each sentence says the direction in which its figure moved', () => {
  const said = new Set<string>();
  fc.assert(
    fc.property(changed, (factors) => {
      const candidate = candidateOf(factors);
      for (const reason of toldOf(candidate)) {
        const criterion = reason.code.split('.').at(-1) as (typeof criterionNames)[number];
        const { figure, direction } = criteria[criterion];
        const [value, other] = [candidate.figures[figure], present.figures[figure]];
        expect([
          reason.code,
          Math.sign(value - other) === (reason.code.startsWith('pick.gains') ? direction : -direction),
        ]).toEqual([reason.code, true]);
        const sentence = reasonSentence(reason, defaultUnits);
        expect(sentence).not.toMatch(/NaN|undefined|−\s?−|-\d.* (longer|shorter|sooner|later|quieter|louder)/);
        for (const [words, isMore] of DIRECTIONS) {
          if (!words.test(sentence)) continue;
          said.add(words.source);
          expect([sentence, value > other]).toEqual([sentence, isMore]);
        }
      }
    }),
    { numRuns: 150 },
  );
  expect(said.size).toBeGreaterThanOrEqual(8);
});

test('a candidate that moved nothing that matters is said not to matter', () => {
  const codes = candidateReasons(
    { craft, air: STANDARD_ROTOR_AIR } as never,
    { name: 'A 7x4x3', candidate: candidateOf({ enduranceS: 1.001 }) },
    { name: 'B 7x4x3', candidate: present },
    scale,
    weights,
  ).map((r) => r.code);
  expect(codes).toContain('pick.same');
  expect(codes.filter((c) => /gains|pays/.test(c))).toEqual([]);
});

test('mirrored, a gain becomes a price of the same size', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...criterionNames),
      fc.double({ min: 1.4, max: 2.5, noNaN: true }),
      (criterion, factor) => {
        const { figure, direction } = criteria[criterion];
        const up = toldOf(candidateOf({ [figure]: factor })).map((r) => r.code);
        const down = toldOf(candidateOf({ [figure]: 1 / factor })).map((r) => r.code);
        if (up.length === 0 || down.length === 0) return;
        expect(up).toEqual([`pick.${direction > 0 ? 'gains' : 'pays'}.${criterion}`]);
        expect(down).toEqual([`pick.${direction > 0 ? 'pays' : 'gains'}.${criterion}`]);
      },
    ),
  );
});
