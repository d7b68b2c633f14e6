import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { layOut, type LayoutEntries } from '../craft/layouts.ts';
import { propMaterials, type PropMaterial } from '../propeller/propGeometry.ts';
import { hiddenFault } from '../simulate/hiddenFault.ts';
import { looks } from '../rack/pieceLife.ts';
import { careRemarks, type CareRemarkFacts } from './careRemarks.ts';
import { conditionOf, isRetiring } from './condition.ts';
import { drillKinds, makeDrill } from './drills.ts';
import { alikeSpeed, fatigueIndex, stateOf, strikeSeverities, type FatigueLoad } from './fatigue.ts';
import {
  careOutcomes,
  carePlaces,
  carePolicies,
  findingsAt,
  isHurried,
  judgePiece,
  strikeSinceLook,
  type CareOutcome,
  type Finding,
  type LookedPiece,
} from './findings.ts';
import { gainAdvice, gainScale, type TestFlight } from './gains.ts';
import { pieceLifeLeft, rotationHours, serviceHours } from './life.ts';
import { seasonSpares } from './season.ts';
import { struckThings, strikeSeverity } from './strikes.ts';
import { causeNames, causeTable, symptomNames, symptomTestNames } from './symptomTable.ts';
import { diagnose, whatNegativeProves, type SymptomEvidence } from './symptoms.ts';
import { temperatureAdvice } from './temperature.ts';

const rank = (outcome: CareOutcome): number => careOutcomes.indexOf(outcome);
const whole = (material: PropMaterial, more: Partial<LookedPiece> = {}): LookedPiece => ({
  material,
  isFolding: false,
  strike: 'none',
  ...more,
});
const anyFinding: fc.Arbitrary<Finding> = fc
  .constantFrom(...carePlaces)
  .chain((place) => fc.constantFrom(...findingsAt(place)).map((what) => ({ place, what })));
const anyPiece: fc.Arbitrary<LookedPiece> = fc.record({
  material: fc.constantFrom(...propMaterials),
  isFolding: fc.boolean(),
  strike: fc.constantFrom(...strikeSinceLook),
});

describe('what becomes of a piece', () => {
  test.each([
    [
      'white at the root',
      'polycarbonate',
      { place: 'rootUnderside', what: 'whiteMark' },
      ['retire', 'retire', 'retire'],
    ],
    ['a crack anywhere', 'glassNylon', { place: 'topFace', what: 'crack' }, ['retire', 'retire', 'retire']],
    ['a nick felt on an edge', 'glassNylon', { place: 'leadingEdge', what: 'nick' }, ['clean', 'retire', 'retire']],
    ['a nick at the root', 'glassNylon', { place: 'rootTop', what: 'nick' }, ['retire', 'retire', 'retire']],
    ['a nick in carbon', 'carbon', { place: 'leadingEdge', what: 'nick' }, ['retire', 'retire', 'retire']],
    ['a cosmetic scrape', 'glassNylon', { place: 'underside', what: 'scrape' }, ['fly', 'fly', 'fly']],
    ['polycarbonate bent', 'polycarbonate', { place: 'tip', what: 'bend' }, ['clean', 'retire', 'retire']],
    ['nylon bent', 'carbonNylon', { place: 'tip', what: 'bend' }, ['retire', 'retire', 'retire']],
    ['crazed lacquer on wood', 'wood', { place: 'topFace', what: 'whiteMark' }, ['clean', 'retire', 'retire']],
    ['a loose nut', 'carbon', { place: 'mount', what: 'loose' }, ['clean', 'clean', 'clean']],
  ] as const)('%s', (_name, material, finding, outcomes) => {
    expect(carePolicies.map((policy) => judgePiece(whole(material), [finding], policy).outcome)).toEqual(outcomes);
  });

  test('carbon retires after any strike, and nothing flies again after a crash on the strict policy', () => {
    expect(judgePiece(whole('carbon', { strike: 'light' }), [], 'lenient').outcome).toBe('retire');
    expect(judgePiece(whole('glassNylon', { strike: 'light' }), [], 'strict')).toMatchObject({
      outcome: 'fly',
      reasons: [{ code: 'care.struckLight' }],
    });
    expect(judgePiece(whole('glassNylon', { strike: 'hard' }), [], 'strict').outcome).toBe('retireSet');
    expect(judgePiece(whole('glassNylon', { strike: 'hard' }), [], 'lenient')).toMatchObject({
      outcome: 'clean',
      isTruingVoid: true,
    });
  });

  test('wood and printed parts are looked at and balanced again after any strike, however light', () => {
    for (const material of ['wood', 'printed'] as const)
      for (const policy of carePolicies)
        expect(judgePiece(whole(material, { strike: 'light' }), [], policy)).toMatchObject({
          outcome: 'clean',
          isTruingVoid: true,
          reasons: [{ code: 'care.struckLookTrue' }],
        });
  });

  test('one damaged blade of a folding prop takes its partner with it', () => {
    const verdict = judgePiece(whole('carbonNylon', { isFolding: true }), [{ place: 'tip', what: 'crack' }], 'lenient');
    expect(verdict.outcome).toBe('retirePair');
    expect(verdict.reasons.map((r) => r.code)).toEqual(['care.pair', 'care.crack']);
  });

  test('only mending that takes mass away makes balancing void', () => {
    expect(judgePiece(whole('glassNylon'), [{ place: 'mount', what: 'loose' }], 'lenient').isTruingVoid).toBe(false);
    expect(judgePiece(whole('glassNylon'), [{ place: 'tip', what: 'nick' }], 'lenient').isTruingVoid).toBe(true);
  });

  test('nothing found and nothing struck flies, on every policy and in every material', () => {
    for (const material of propMaterials)
      for (const policy of carePolicies)
        expect(judgePiece(whole(material), [], policy)).toEqual({ outcome: 'fly', isTruingVoid: false, reasons: [] });
  });

  test('one finding more never makes a verdict milder; strict is never milder than lenient', () => {
    fc.assert(
      fc.property(anyPiece, fc.array(anyFinding, { maxLength: 5 }), anyFinding, (piece, findings, more) => {
        for (const policy of carePolicies)
          expect(rank(judgePiece(piece, [...findings, more], policy).outcome)).toBeGreaterThanOrEqual(
            rank(judgePiece(piece, findings, policy).outcome),
          );
        const lenient = rank(judgePiece(piece, findings, 'lenient').outcome);
        expect(rank(judgePiece(piece, findings, 'strict').outcome)).toBeGreaterThanOrEqual(lenient);
        expect(rank(judgePiece(piece, findings, 'makersParts').outcome)).toBeGreaterThanOrEqual(lenient);
      }),
    );
  });

  test('what cannot be at a place is refused', () =>
    expect(() => judgePiece(whole('wood'), [{ place: 'bore', what: 'bend' }], 'strict')).toThrow(/noSuchFinding/));

  test('a look of under five seconds a prop is hurried', () => {
    expect(isHurried(19, 4)).toBe(true);
    expect(isHurried(20, 4)).toBe(false);
    expect(isHurried(0, 0)).toBe(false);
  });
});

describe('one rule of condition for every bench', () => {
  const sound = {
    material: 'glassNylon' as PropMaterial,
    isFolding: false,
    strike: 'none' as const,
    look: null,
    openOutcome: null,
  };
  test('what check-in saw is judged as a walkaround would judge it', () => {
    for (const material of propMaterials) {
      for (const policy of carePolicies) {
        expect(conditionOf({ ...sound, material, look: 'nick' }, policy).outcome).toBe(
          judgePiece(whole(material), [{ place: 'leadingEdge', what: 'nick' }], policy).outcome,
        );
        expect(conditionOf({ ...sound, material, look: 'warped' }, policy).outcome).toBe(
          judgePiece(whole(material), [{ place: 'tip', what: 'bend' }], policy).outcome,
        );
        for (const look of ['crack', 'void'] as const)
          expect(isRetiring(conditionOf({ ...sound, material, look }, policy).outcome)).toBe(true);
      }
    }
    expect(conditionOf({ ...sound, material: 'carbon', look: 'nick' }, 'lenient')).toMatchObject({
      outcome: 'retire',
      reasons: [{ code: 'care.nickCarbon' }],
    });
  });
  test('what a walkaround asked for, or a strike since, holds at the other benches too', () => {
    expect(conditionOf({ ...sound, openOutcome: 'retirePair' }, 'lenient').outcome).toBe('retirePair');
    expect(isRetiring(conditionOf({ ...sound, material: 'carbon', strike: 'light' }, 'lenient').outcome)).toBe(true);
    for (const look of looks.filter((l) => l === 'good' || l === 'flash'))
      expect(conditionOf({ ...sound, look }, 'strict')).toEqual({ outcome: 'fly', isTruingVoid: false, reasons: [] });
  });
});

describe('life', () => {
  const load: FatigueLoad = {
    diameterM: 0.127,
    material: 'polycarbonate',
    flown: [
      { durationS: 36_000, speedRpm: 18_000 },
      { durationS: 7200, speedRpm: 27_000 },
    ],
    strikes: ['light'],
    hasNick: false,
  };
  const service = { ...load, flightCount: 90, secondsPerDay: 600 };

  test('a piece serves the hours of its material, fewer where it is stressed', () => {
    expect(serviceHours('glassNylon', 0.1, 5_000)).toBe(rotationHours.glassNylon);
    const stressed = serviceHours('polycarbonate', 0.127, 24_000);
    expect(stressed).toBeCloseTo(40, 9);
    expect(serviceHours('polycarbonate', 0.127, 26_000)).toBeLessThan(stressed);
    expect(serviceHours('wood', 0.2, 0)).toBe(rotationHours.wood);
  });

  test('one speed stands for many: it wears as much in the same time', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            durationS: fc.double({ min: 1, max: 3600, noNaN: true }),
            speedRpm: fc.double({ min: 0, max: 40_000, noNaN: true }),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        (flown) => {
          const durationS = flown.reduce((sum, f) => sum + f.durationS, 0);
          const one = [{ durationS, speedRpm: alikeSpeed(flown) }];
          const [all, alike] = [flown, one].map((f) => fatigueIndex({ ...load, strikes: [], flown: f }).index);
          expect(alike!).toBeCloseTo(all!, 9);
        },
      ),
    ));

  test('a bigger prop is stressed far more than an inch suggests', () => {
    const at = (diameterM: number): number => fatigueIndex({ ...load, diameterM, strikes: [] }).index;
    expect(at(0.1524) / at(0.127)).toBeCloseTo(1.2 ** 12, 6);
  });

  test('more flying, more strikes and a nick only ever add', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...propMaterials),
        fc.double({ min: 0, max: 80_000, noNaN: true }),
        fc.double({ min: 0, max: 30_000, noNaN: true }),
        fc.constantFrom(...strikeSeverities),
        (material, durationS, speedRpm, strike) => {
          const before = fatigueIndex({ ...load, material }).index;
          const after = fatigueIndex({
            ...load,
            material,
            flown: [...load.flown, { durationS, speedRpm }],
            strikes: [...load.strikes, strike],
            hasNick: true,
          }).index;
          expect(after).toBeGreaterThan(before);
        },
      ),
    );
  });

  test('hours lead where stress is small, and the day it is due follows the pace', () => {
    const large = pieceLifeLeft({
      ...service,
      diameterM: 0.254,
      material: 'glassNylon',
      flown: [{ durationS: 40 * 3600, speedRpm: 6000 }],
      strikes: [],
    });
    expect(large).toMatchObject({ isByFatigue: false, hoursRatio: 40 / rotationHours.glassNylon, state: 'inspect' });
    expect(large.dueInDays).toBeCloseTo((40 * 3600) / 600, 6);
    expect(pieceLifeLeft({ ...service, secondsPerDay: 0 }).dueInDays).toBeNull();
    expect(pieceLifeLeft({ ...service, flown: [], strikes: [] })).toMatchObject({ usedRatio: 0, dueInDays: null });
    expect(pieceLifeLeft({ ...service, strikes: ['hard'] })).toMatchObject({ isByFatigue: true, state: 'inspect' });
    expect(pieceLifeLeft({ ...service, strikes: ['hard', 'hard', 'hard'] }).dueInDays).toBe(0);
    expect(() => pieceLifeLeft({ ...service, secondsPerDay: 90_000 })).toThrow(/secondsPerDay/);
  });

  test('harder things and more throttle are never a lighter strike', () => {
    const order = (thing: (typeof struckThings)[number], throttle: number): number =>
      strikeSeverities.indexOf(strikeSeverity(thing, throttle));
    for (const thing of struckThings) expect(order(thing, 1)).toBeGreaterThanOrEqual(order(thing, 0));
    // A wire or a branch at low throttle is no soft strike.
    for (const thing of ['branch', 'wire', 'gravel', 'wood', 'otherCraft', 'concrete'] as const)
      expect(strikeSeverity(thing, 0)).not.toBe('light');
    expect([strikeSeverity('grass', 0.3), strikeSeverity('branch', 0.7), strikeSeverity('concrete', 1)]).toEqual([
      'light',
      'medium',
      'hard',
    ]);
    expect(() => strikeSeverity('grass', 1.2)).toThrow(/throttleRatio/);
  });

  test('cold nylon and sun on printed parts are spoken of, a mild day is not', () => {
    expect(temperatureAdvice('glassNylon', -8)).toMatchObject([
      { code: 'care.cold', values: { temperatureC: -8, limitC: -5 } },
    ]);
    expect(temperatureAdvice('printed', 31)).toMatchObject([{ code: 'care.hot' }]);
    for (const material of propMaterials) expect(temperatureAdvice(material, 15)).toEqual([]);
    expect(() => temperatureAdvice('wood', NaN)).toThrow();
  });
});

describe('spares for a season', () => {
  test('enough in nineteen seasons of twenty, what is on the rack taken off', () => {
    expect(seasonSpares({ daysCount: 90, flightCount: 40, usedUpCount: 5, onRackCount: 4 }, 180)).toEqual({
      expectedCount: 12,
      safeCount: 18,
      toBuyCount: 14,
      isThin: false,
    });
  });
  test('an empty log promises no eternal prop, and says that it is thin', () => {
    const spares = seasonSpares({ daysCount: 90, flightCount: 10, usedUpCount: 0, onRackCount: 0 }, 90)!;
    expect(spares).toMatchObject({ expectedCount: 1, isThin: true });
    expect(spares.toBuyCount).toBeGreaterThan(0);
    expect(() => seasonSpares({ daysCount: 0, flightCount: 0, usedUpCount: 0, onRackCount: 0 }, 90)).toThrow(
      /daysCount/,
    );
  });
  test('from nothing nothing is told: neither a day of log nor nine flights make a season', () => {
    expect(seasonSpares({ daysCount: 1, flightCount: 0, usedUpCount: 1, onRackCount: 0 }, 180)).toBeNull();
    expect(seasonSpares({ daysCount: 90, flightCount: 9, usedUpCount: 2, onRackCount: 0 }, 180)).toBeNull();
    expect(seasonSpares({ daysCount: 29, flightCount: 60, usedUpCount: 2, onRackCount: 0 }, 180)).toBeNull();
    expect(seasonSpares({ daysCount: 30, flightCount: 10, usedUpCount: 2, onRackCount: 0 }, 180)).not.toBeNull();
  });
  test('more losses never need fewer spares', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 400 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 365 }),
        (daysCount, usedUpCount, season) => {
          const spares = (n: number): number =>
            seasonSpares({ daysCount, flightCount: 50, usedUpCount: n, onRackCount: 0 }, season)!.safeCount;
          expect(spares(usedUpCount + 1)).toBeGreaterThanOrEqual(spares(usedUpCount));
        },
      ),
    );
  });
});

describe('gains', () => {
  const stronger = gainScale({ oldSlopeN: 10, newSlopeN: 13, oldRiseS: 0.03, newRiseS: 0.03, inertiaRatio: 1 });
  const weaker = gainScale({ oldSlopeN: 10, newSlopeN: 8, oldRiseS: 0.03, newRiseS: 0.03, inertiaRatio: 1 });
  /** Flies the advice until it ends; it flutters above one value and is sluggish under another. */
  function fly(flutterAbove: number, sluggishUnder: number, scale = stronger) {
    const looks: TestFlight[] = [];
    for (;;) {
      const advice = gainAdvice('roll', looks, 100, scale);
      if (advice.status !== 'try' || looks.length > 60) return { advice, looks };
      looks.push({
        axis: 'roll',
        percent: advice.percent,
        doesFlutter: advice.percent > flutterAbove,
        doesReturn: advice.percent >= sluggishUnder,
      });
    }
  }

  test('goes down one percent at a time to where it rests', () => {
    const { advice, looks } = fly(92, 70);
    expect(advice).toEqual({ status: 'found', percent: 92 });
    expect(looks.map((l) => l.percent)).toEqual([100, 99, 98, 97, 96, 95, 94, 93, 92]);
  });
  test('sluggish is one step too far; the floor is the end', () => {
    expect(fly(90, 91).advice).toEqual({ status: 'backUp', percent: 91 });
    const { advice, looks } = fly(0, 0);
    expect(advice).toEqual({ status: 'notTheGain', percent: 47 });
    expect(looks.at(-1)!.percent / 100).toBeGreaterThanOrEqual(stronger.floorRatio);
  });
  test('never proposes to raise, and leaves the vertical axis alone unless it pumps', () => {
    expect(gainAdvice('pitch', [], 100, weaker)).toEqual({ status: 'stays', percent: 100 });
    expect(gainAdvice('vertical', [], 100, stronger)).toEqual({ status: 'stays', percent: 100 });
    expect(
      gainAdvice('vertical', [{ axis: 'vertical', percent: 100, doesFlutter: true, doesReturn: null }], 100, stronger),
    ).toMatchObject({ status: 'try', percent: 99 });
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 100 }), fc.integer({ min: 0, max: 100 }), (flutter, sluggish) =>
        fly(flutter, sluggish).looks.every((l) => l.percent <= 100),
      ),
    );
  });
  test('a plant without thrust is refused', () =>
    expect(() => gainScale({ oldSlopeN: 0, newSlopeN: 13, oldRiseS: 0.03, newRiseS: 0.03, inertiaRatio: 1 })).toThrow(
      /oldSlopeN/,
    ));
});

describe('the symptom finder', () => {
  const nothing: SymptomEvidence = { symptoms: [], changes: null, facts: [], answers: [] };
  const first = (evidence: Partial<SymptomEvidence>) => diagnose({ ...nothing, ...evidence });

  test('every symptom leads somewhere, every cause can be found by a test and shows as something', () => {
    for (const symptom of symptomNames)
      expect(causeNames.some((c) => causeTable[c].symptoms[symptom] !== undefined)).toBe(true);
    for (const cause of causeNames) {
      expect(Object.keys(causeTable[cause].symptoms).length).toBeGreaterThan(0);
      expect(Math.max(...Object.values(causeTable[cause].tests))).toBeGreaterThanOrEqual(0.6);
    }
    for (const name of symptomTestNames) expect(whatNegativeProves(name).length).toBeGreaterThan(0);
  });

  test('it tips after a change of props: hands first, then what the letters say', () => {
    const told = first({ symptoms: ['tipsAtOnce'], changes: ['props'], facts: ['layoutUnseen'] });
    expect(['piecesSwapped', 'wrongHand', 'pieceTurnedOver']).toContain(told.ranked[0]!.cause);
    expect(told.next!.minutes).toBeLessThanOrEqual(6);
    expect(
      first({ symptoms: ['tipsAtOnce'], changes: ['wiring'], answers: [{ test: 'seeSpin', answer: 'yes' }] }).ranked[0]!
        .cause,
    ).toBe('motorReversed');
  });

  test('feeling nothing by hand rules out nothing', () => {
    const share = (d: ReturnType<typeof diagnose>): number => d.ranked.find((r) => r.cause === 'dryBearing')!.share;
    const before = first({ symptoms: ['clicks'] });
    const after = first({ symptoms: ['clicks'], answers: [{ test: 'spinBare', answer: 'no' }] });
    expect(share(after)).toBeLessThan(share(before));
    expect(share(after)).toBeGreaterThan(0.03);
    expect(whatNegativeProves('spinBare').find((n) => n.cause === 'bentShaft')!.leftShare).toBeCloseTo(0.7, 6);
  });

  test('shares always sum to one, and not sure changes nothing', () => {
    fc.assert(
      fc.property(
        fc.subarray([...symptomNames], { maxLength: 3 }),
        fc.array(
          fc.record({
            test: fc.constantFrom(...symptomTestNames),
            answer: fc.constantFrom('yes' as const, 'no' as const),
          }),
          { maxLength: 6 },
        ),
        (symptoms, answers) => {
          const d = first({ symptoms, answers });
          expect(d.ranked.reduce((sum, r) => sum + r.share, 0)).toBeCloseTo(1, 9);
          expect(d.ranked).toHaveLength(causeNames.length);
          expect(first({ symptoms, answers: [...answers, { test: 'moveMotor', answer: 'unsure' }] }).ranked).toEqual(
            d.ranked,
          );
          if (d.next) expect(answers.map((a) => a.test)).not.toContain(d.next.test);
        },
      ),
    );
  });

  test('hidden faults that behave by other shares are among the first three', () => {
    const found = Array.from({ length: 120 }, (_, i) => {
      const fault = hiddenFault(`care/${i}`);
      const answers: SymptomEvidence['answers'][number][] = [];
      let d = first({ symptoms: fault.symptoms, changes: fault.changes, facts: fault.facts });
      while (d.next && answers.length < 6) {
        answers.push({ test: d.next.test, answer: fault.answer(d.next.test) });
        d = first({ symptoms: fault.symptoms, changes: fault.changes, facts: fault.facts, answers });
      }
      return d.ranked.slice(0, 3).some((r) => r.cause === fault.cause);
    });
    expect(found.filter(Boolean).length / found.length).toBeGreaterThanOrEqual(0.9);
  });
});

describe('drills', () => {
  test.each(drillKinds)('%s: answers differ, one is right, and the same seed asks the same', (kind) => {
    const rights = new Set<number>();
    for (let i = 0; i < 60; i++) {
      const drill = makeDrill(kind, String(i));
      expect(makeDrill(kind, String(i))).toEqual(drill);
      expect(drill.options.length).toBeGreaterThanOrEqual(2);
      expect(new Set(drill.options.map((o) => JSON.stringify(o))).size).toBe(drill.options.length);
      expect(drill.right).toBeGreaterThanOrEqual(0);
      expect(drill.right).toBeLessThan(drill.options.length);
      rights.add(drill.right);
    }
    expect(rights.size).toBeGreaterThan(1);
  });

  test('one wrong piece tips the craft toward its own arm', () => {
    const drills = Array.from({ length: 40 }, (_, i) => makeDrill('arm', `one/${i}`)).filter(
      (d) => d.values.faultCount === 1,
    );
    expect(drills.length).toBeGreaterThan(5);
    for (const d of drills)
      expect(d.options[d.right]).toEqual({ toward: d.rotors!.find((r) => r.hand !== r.spin)!.place });
  });
});

describe('drills on the arms of a craft', () => {
  const layouts: LayoutEntries[] = [
    { layout: 'quadX', diagonalM: 0.2, arms: null, spinTable: 'out' },
    { layout: 'hexX', diagonalM: 0.5, arms: null },
    { layout: 'quadX', diagonalM: 0.2, arms: null, spinTable: 'own', ownSpins: ['cw', 'cw', 'ccw', 'ccw'] },
  ];

  test.each(layouts)('turn as its table says: %j', (craft) => {
    const own = layOut(craft).map((r) => r.spin);
    const asked = Array.from({ length: 30 }, (_, i) => makeDrill('arm', `own/${i}`, craft));
    expect(asked.filter((d) => d.rotors!.length === own.length).length).toBeGreaterThan(10);
    for (const d of asked) {
      if (d.rotors!.length === own.length) expect(d.rotors!.map((r) => r.spin)).toEqual(own);
      expect(new Set(d.options.map((o) => o.toward)).size).toBe(d.options.length);
    }
  });

  test('a plane has no arms to tip over: a quad is asked about', () => {
    expect(makeDrill('arm', 'plane', { layout: 'tractor', diagonalM: null, arms: null }).rotors).toHaveLength(4);
  });
});

describe('what is good to know beside it', () => {
  const life = (usedRatio: number) => ({
    ...pieceLifeLeft({
      diameterM: 0.18,
      material: 'polycarbonate',
      flown: [],
      strikes: [],
      hasNick: false,
      flightCount: 0,
      secondsPerDay: 0,
    }),
    usedRatio,
    state: stateOf(usedRatio),
  });
  const quiet: CareRemarkFacts = {
    pieces: [{ tag: 'AB12', life: life(0.1) }],
    lookSecondsPerProp: 11,
    changesLeft: null,
    temperature: [],
  };

  test('nothing to say of a fresh craft', () => expect(careRemarks(quiet)).toEqual([]));

  test('pieces of which the same is to be said are named together, the worst figure with them', () => {
    const said = careRemarks({
      ...quiet,
      pieces: [
        { tag: 'AB12', life: life(0.85) },
        { tag: 'CD34', life: life(0.91) },
        { tag: 'EF56', life: { ...life(0.82), dueInDays: 4 } },
      ],
    });
    expect(said).toMatchObject([
      { code: 'care.soon', values: { tags: 'AB12, CD34', count: 2, usedRatio: 0.91 } },
      { code: 'care.soonDays', values: { tags: 'EF56', days: 4 } },
    ]);
  });

  test('a hurried look and a thin rack', () => {
    expect(
      careRemarks({ ...quiet, lookSecondsPerProp: 2, changesLeft: { count: 0, firstOut: 'cw' } }).map((r) => [
        r.code,
        r.values,
      ]),
    ).toEqual([
      ['care.hurried', { seconds: 2, least: 5 }],
      ['care.noChange', { count: 0, hand: 'CW' }],
    ]);
    expect(careRemarks({ ...quiet, changesLeft: { count: 3, firstOut: 'ccw' } })).toMatchObject([
      { code: 'care.changesLeft', severity: 'note' },
    ]);
  });
});
