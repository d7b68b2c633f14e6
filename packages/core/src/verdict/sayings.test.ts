import { describe, expect, test } from '@jest/globals';
import { inches, mappingPlane, preparedOf, surveyQuad } from '../test/pickCrafts.ts';
import { answerSayings, sayingNames, sayings, type SaidProp, type SayingName } from './sayings.ts';
import type { EvidenceCell } from './weighEvidence.ts';
import { gainOf, usualMatters } from './wishes.ts';

const quad = preparedOf(surveyQuad);
const present = inches(7.2, 3.9, 3);
const cell = (gain: number, deviation = 0.003, more: Partial<EvidenceCell> = {}): EvidenceCell => ({
  source: 'stand',
  value: 1,
  halfWidth: 0.01,
  place: 'evening',
  against: null,
  count: 2,
  isExtended: false,
  isSimulated: false,
  gain,
  deviation,
  difference: null,
  ...more,
});
const prop = (id: string, geometry: SaidProp['geometry'], row: SaidProp['row']): SaidProp => ({
  id,
  name: id,
  geometry,
  row,
});
const answer = (name: SayingName, props: SaidProp[] = [], reference = present) =>
  answerSayings(quad, reference, props, usualMatters).find((a) => a.name === name)!;

describe('without readings the model is asked at the prop in use', () => {
  test('every saying is answered once, with what decided and by how much', () => {
    const answers = answerSayings(quad, present, [], usualMatters);
    expect(answers.map((a) => a.name)).toEqual(sayingNames);
    for (const { status, basis, predicted, pairs } of answers) {
      expect(pairs).toEqual([]);
      expect([status === 'untold', basis]).toEqual(predicted === null ? [true, null] : [false, 'predicted']);
    }
  });

  test('another blade costs minutes, and on a motor that it slows it pulls no more; pitch is speed, and heats', () => {
    for (const name of ['bladesCostMinutes', 'pitchIsSpeed', 'pitchHeatsMotors'] as const)
      expect([name, answer(name).status]).toEqual([name, 'holds']);
    expect(answer('bladesPull').status).toBe('same');
    expect(Math.abs(answer('bladesPull').predicted!)).toBeLessThan(usualMatters.thrust);
    expect(answer('bladesCostMinutes').predicted).toBeLessThan(0);
  });

  test('what makes no sense here is not told: square tips that are square, a seventh blade', () => {
    expect(answer('squareTipsPull', [], { ...present, tipShape: 'square' })).toMatchObject({
      status: 'untold',
      basis: null,
      predicted: null,
    });
    expect(answer('bladesPull', [], { ...present, bladeCount: 6 }).status).toBe('untold');
  });

  test('on a plane as well, all of them', () =>
    expect(
      answerSayings(preparedOf(mappingPlane), inches(11, 6, 2), [], usualMatters)
        .filter((a) => a.status === 'untold')
        .map((a) => a.name),
    ).toEqual([]));
});

describe('readings of the craft decide before the model', () => {
  const two = inches(7.2, 3.9, 2);

  test('two props that differ in blades alone, read side by side', () => {
    const props = [prop('three', present, { thrust: cell(-0.2) }), prop('two', two, { thrust: cell(0) })];
    expect(answer('bladesPull', props)).toMatchObject({
      status: 'fails',
      basis: 'measured',
      pairs: [{ moreName: 'three', lessName: 'two', source: 'stand' }],
    });
  });

  test.each<[string, SaidProp[]]>([
    [
      'in size too',
      [prop('three', inches(8.2, 3.9, 3), { thrust: cell(-0.2) }), prop('two', two, { thrust: cell(0) })],
    ],
    [
      'on two evenings',
      [
        prop('three', present, { thrust: cell(-0.2, 0.003, { place: 'other' }) }),
        prop('two', two, { thrust: cell(0) }),
      ],
    ],
    [
      'by prediction alone',
      [
        prop('three', present, { thrust: cell(-0.2, 0.003, { source: 'model' }) }),
        prop('two', two, { thrust: cell(0, 0.003, { source: 'model' }) }),
      ],
    ],
  ])('props that differ %s speak of nothing', (_what, props) =>
    expect(answer('bladesPull', props)).toMatchObject({ basis: 'predicted', pairs: [] }),
  );

  test('pairs that are each sure and go both ways decide nothing', () => {
    const props = [
      prop('three', present, { thrust: cell(-0.2) }),
      prop('two', two, { thrust: cell(0) }),
      prop('other', inches(7.3, 3.8, 2), { thrust: cell(-0.4) }),
    ];
    expect(answer('bladesPull', props)).toMatchObject({ status: 'mixed', basis: 'measured' });
    expect(answer('bladesPull', props).pairs).toHaveLength(2);
  });

  test('readings too wide to tell leave it to the model; surely small ones make no difference', () => {
    const wide = [prop('three', present, { thrust: cell(0.02, 0.2) }), prop('two', two, { thrust: cell(0) })];
    expect(answer('bladesPull', wide).basis).toBe('predicted');
    const small = 0.2 * gainOf('thrust', Math.expm1(usualMatters.thrust));
    const same = [prop('three', present, { thrust: cell(small, 0.001) }), prop('two', two, { thrust: cell(0, 0.001) })];
    expect(answer('bladesPull', same)).toMatchObject({ status: 'same', basis: 'measured' });
  });
});

test('no saying claims both ways of one change and figure', () => {
  const keys = sayingNames.map((name) => `${sayings[name].change} ${sayings[name].wish}`);
  expect(new Set(keys).size).toBe(sayingNames.length);
});
