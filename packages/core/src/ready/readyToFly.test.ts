import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { takeOffVerdicts } from '../fit/takeOff.ts';
import { readyToFly, readyVerdicts, type ReadyArm, type ReadyFacts, type ReadyPiece } from './readyToFly.ts';

const piece = (tag: string, more: Partial<ReadyPiece> = {}): ReadyPiece => ({
  tag,
  life: { state: 'ok', usedRatio: 0.1, durationS: 3600, isByFatigue: true },
  openOutcome: null,
  alert: null,
  isBalancingDue: false,
  ...more,
});
const arm = (place: ReadyArm['place'], more: Partial<ReadyArm> = {}): ReadyArm => ({
  place,
  level: 0,
  piece: piece(place),
  changedSequence: 10,
  lookedSequence: 30,
  ...more,
});
const right: ReadyFacts = {
  name: 'Petrel',
  takeOff: { verdict: 'flies', faults: [], isConfirmed: true },
  unseenCount: 0,
  arms: [arm('frontLeft'), arm('frontRight')],
  modelCount: 1,
  lookDay: '2026-11-29',
  today: '2026-11-29',
  flightsSinceLook: 0,
  strikesSinceLook: 0,
  signedSequence: 20,
  motorsToFeel: [],
};
const withPiece = (more: Partial<ReadyPiece>): Partial<ReadyFacts> => ({
  arms: [arm('frontLeft', { piece: piece('AB12', more) }), arm('frontRight')],
});

describe('whether a craft may fly', () => {
  test('right, seen, signed and looked over today: fit, and nothing is missing', () =>
    expect(readyToFly(right)).toEqual({ verdict: 'fit', missing: [] }));

  test.each<[string, Partial<ReadyFacts>, string, string, string]>([
    ['a grounded piece', withPiece({ alert: 'tips crack' }), 'grounded', 'care.grounded', 'care'],
    [
      'a spent piece',
      withPiece({ life: { state: 'replace', usedRatio: 1.02, durationS: 9e5, isByFatigue: false } }),
      'grounded',
      'care.spentHours',
      'care',
    ],
    ['a piece to be retired', withPiece({ openOutcome: 'retire' }), 'grounded', 'care.open.retire', 'care'],
    ['a piece to be mended', withPiece({ openOutcome: 'clean' }), 'mend', 'care.open.clean', 'care'],
    ['a piece to be balanced', withPiece({ isBalancingDue: true }), 'untrued', 'care.untrued', 'balance'],
    [
      'two neighbours swapped',
      { takeOff: { verdict: 'tips', faults: [], isConfirmed: true } },
      'wrong',
      'care.wrong.tips',
      'fit',
    ],
    ['two models', { modelCount: 2 }, 'wrong', 'care.mixed', 'fit'],
    ['a spin that nobody saw', { unseenCount: 1 }, 'unseen', 'care.unseen', 'fit'],
    [
      'an empty arm',
      { arms: [arm('frontLeft', { piece: null }), arm('frontRight')] },
      'incomplete',
      'care.missingPieces',
      'fit',
    ],
    ['a struck motor', { motorsToFeel: ['M2'] }, 'mend', 'care.feelMotor', 'care'],
    ['no signature', { signedSequence: 0 }, 'unsigned', 'care.neverSigned', 'fit'],
    [
      'an arm changed after the signature, before the look',
      { arms: [arm('frontLeft', { changedSequence: 25 }), arm('frontRight')] },
      'unsigned',
      'care.signedBefore',
      'fit',
    ],
    [
      'an arm changed after the look',
      { arms: [arm('frontLeft', { changedSequence: 31 }), arm('frontRight')], signedSequence: 40 },
      'look',
      'care.changedSince',
      'walk',
    ],
    ['no look ever', { lookDay: null }, 'look', 'care.neverLooked', 'walk'],
    ['a strike since', { strikesSinceLook: 1 }, 'look', 'care.strikes', 'walk'],
    ['a flight since', { flightsSinceLook: 2 }, 'look', 'care.flownSince', 'walk'],
    ['a look of yesterday evening', { lookDay: '2026-11-28' }, 'look', 'care.staleLook', 'walk'],
    ['a look dated tomorrow, by a clock that was wrong', { lookDay: '2026-11-30' }, 'look', 'care.staleLook', 'walk'],
  ])('%s', (_name, change, verdict, code, where) => {
    const ready = readyToFly({ ...right, ...change });
    expect(ready.verdict).toBe(verdict);
    expect(ready.missing[0]).toMatchObject({ verdict, where, reason: { code } });
  });

  test('one fact more that is missing never makes it fit, and the verdict is the gravest', () => {
    const anyFacts: fc.Arbitrary<ReadyFacts> = fc
      .record({
        takeOff: fc.constantFrom(...takeOffVerdicts),
        unseen: fc.nat(2),
        due: fc.boolean(),
        open: fc.constantFrom(null, 'clean', 'retire'),
        signed: fc.nat(40),
        looked: fc.nat(40),
        changed: fc.nat(40),
        flights: fc.nat(1),
        strikes: fc.nat(1),
        day: fc.constantFrom(null, '2026-11-28', '2026-11-29'),
        motors: fc.nat(1),
      })
      .map((f) => ({
        ...right,
        takeOff: { verdict: f.takeOff, faults: [], isConfirmed: f.unseen === 0 },
        unseenCount: f.unseen,
        signedSequence: f.signed,
        lookDay: f.day,
        flightsSinceLook: f.flights,
        strikesSinceLook: f.strikes,
        motorsToFeel: f.motors === 0 ? [] : ['M1'],
        arms: [
          arm('frontLeft', {
            changedSequence: f.changed,
            lookedSequence: f.looked,
            piece: piece('AB12', { openOutcome: f.open as 'clean' | 'retire' | null, isBalancingDue: f.due }),
          }),
        ],
      }));
    fc.assert(
      fc.property(anyFacts, (facts) => {
        const { verdict, missing } = readyToFly(facts);
        const [changedSequence, lookedSequence] = [facts.arms[0]!.changedSequence, facts.arms[0]!.lookedSequence];
        const isFit =
          facts.takeOff.verdict === 'flies' &&
          facts.unseenCount === 0 &&
          facts.arms[0]!.piece!.openOutcome === null &&
          !facts.arms[0]!.piece!.isBalancingDue &&
          facts.signedSequence > 0 &&
          facts.signedSequence >= changedSequence &&
          lookedSequence >= changedSequence &&
          facts.lookDay === facts.today &&
          facts.flightsSinceLook + facts.strikesSinceLook + facts.motorsToFeel.length === 0;
        expect(verdict === 'fit').toBe(isFit);
        expect(missing.length === 0).toBe(isFit);
        if (!isFit)
          expect(readyVerdicts.indexOf(verdict)).toBe(
            Math.min(...missing.map((m) => readyVerdicts.indexOf(m.verdict))),
          );
      }),
      { numRuns: 600, seed: 9 },
    );
  });
});
