import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { CampaignInput } from './campaign.ts';
import { campaignOf, lawSteps, runOf, twiceRun } from '../test/standCampaign.ts';
import { reduceCampaign } from './reduceCampaign.ts';

const noReference: Partial<CampaignInput> = { referencePropId: null };
const headline = (input: CampaignInput) => reduceCampaign(input).headline;
const reasonsOf = (input: CampaignInput) => reduceCampaign(input).reasons;
const codesOf = (input: CampaignInput): string[] => reasonsOf(input).map((r) => r.code);

describe('the answer of an evening', () => {
  const tired = { restingCellV: 3.7 };
  const short = [0.2, 0.4, 0.6];
  const weak = lawSteps(3, 60, short);
  test.each<[string, CampaignInput, string]>([
    ['nothing measured', campaignOf([]), 'noRuns'],
    ['runs, none of which counts', campaignOf([runOf('ref', 1, lawSteps(20, 700), tired)]), 'noCountedRuns'],
    ['one prop that hovers', campaignOf(twiceRun('big', 24, 900)), 'onlyOneHovers'],
    ['one prop that does not', campaignOf([runOf('small', 1, weak)]), 'onlyOne'],
    [
      'two that neither hover nor reach full throttle',
      campaignOf([runOf('ref', 1, weak), runOf('small', 1, weak)]),
      'nothingComparable',
    ],
    [
      'hover alone can be compared',
      campaignOf([runOf('ref', 1, lawSteps(20, 700, short)), runOf('big', 1, lawSteps(24, 700, short))]),
      'thriftiest',
    ],
    [
      'full throttle alone can be compared',
      campaignOf([...twiceRun('ref', 4, 100), ...twiceRun('big', 4.5, 120)]),
      'strongest',
    ],
    [
      'the present prop leads in all',
      campaignOf([...twiceRun('ref', 24, 600), ...twiceRun('big', 20, 700)]),
      'referenceLeadsBoth',
    ],
    [
      'the present prop is the strongest, another thriftier',
      campaignOf([...twiceRun('ref', 24, 900), ...twiceRun('small', 15, 400)]),
      'referenceStrongest',
    ],
    [
      'another leads in all',
      campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('big', 24, 650)]),
      'leadsBothAgainst',
    ],
    [
      'two lead, against the present one',
      campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('big', 24, 900), ...twiceRun('small', 15, 400)]),
      'leadSplitAgainst',
    ],
    [
      'one leads in all and there is no present one',
      campaignOf([...twiceRun('small', 20, 700), ...twiceRun('big', 24, 650)], noReference),
      'leadsBoth',
    ],
    [
      'two lead and there is no present one',
      campaignOf([...twiceRun('big', 24, 900), ...twiceRun('small', 15, 400)], noReference),
      'leadSplit',
    ],
  ])('%s', (_name, input, code) => expect(headline(input).code).toBe(code));

  /** The present prop draws more than the ESC allows. */
  const overEsc = { craft: { ...campaignOf([]).craft, escLimitA: 28 } };
  test.each<[string, CampaignInput, string, object]>([
    [
      'the present prop passes the ESC limit, a weaker one is left',
      campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('small', 17.4, 500)], overEsc),
      'lessBothAgainst',
      { name: 'small', differenceRatio: expect.closeTo(-0.13, 3), barred: 'ref' },
    ],
    [
      'both others are weaker and share the lead',
      campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('big', 18, 600), ...twiceRun('small', 12, 250)], overEsc),
      'lessSplitAgainst',
      { name: 'big', otherName: 'small' },
    ],
    [
      'every one passes the limit, the present one pulls most: nothing is within',
      campaignOf([...twiceRun('ref', 24, 900), ...twiceRun('small', 20, 800)], overEsc),
      'allBarred',
      { name: 'ref' },
    ],
    [
      'one pulls as the present one does',
      campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('big', 20.01, 600)]),
      'sameBothAgainst',
      { name: 'big', barred: '' },
    ],
    [
      'the strongest passes a limit: it is named as what was left out',
      campaignOf([...twiceRun('ref', 20, 600), ...twiceRun('big', 24, 900), ...twiceRun('small', 21, 590)], overEsc),
      'leadsBothAgainst',
      { name: 'small', barred: 'big' },
    ],
  ])('%s', (_name, input, code, values) =>
    expect(headline(input)).toMatchObject({ code, values: expect.objectContaining(values) }),
  );

  test('whatever was measured and whatever is allowed, what it says of thrust is what the table says', () => {
    const top = fc.double({ min: 12, max: 24, noNaN: true });
    const watts = fc.double({ min: 600, max: 1100, noNaN: true });
    fc.assert(
      fc.property(
        fc.tuple(top, watts),
        fc.tuple(top, watts),
        fc.tuple(top, watts),
        fc.double({ min: 10, max: 50, noNaN: true }),
        (ref, big, small, escLimitA) => {
          const results = reduceCampaign(
            campaignOf([...twiceRun('ref', ...ref), ...twiceRun('big', ...big), ...twiceRun('small', ...small)], {
              craft: { ...campaignOf([]).craft, escLimitA },
            }),
          );
          const { code, values } = results.headline;
          const named = results.props.find((p) => p.propModelId === values.name)!;
          const allowed = results.props.filter((p) => p.breaches.length === 0);
          const field = allowed.length > 0 ? allowed : results.props;
          // Who is named leads the table of those that may lead.
          expect(field).toContain(named);
          for (const p of field)
            expect(named.points.full.thrustN!.figure.value).toBeGreaterThanOrEqual(p.points.full.thrustN!.figure.value);
          const { comparison, differenceRatio } = named.points.full.thrustN!;
          expect(code === 'allBarred').toBe(allowed.length === 0);
          if (code === 'allBarred') return;
          if (code.startsWith('lead')) expect(comparison).toBe('more');
          if (code.startsWith('same')) expect(comparison).toBe('same');
          if (code.startsWith('less')) expect([comparison, differenceRatio! < 0]).toEqual(['less', true]);
          const other = results.props.find((p) => p.propModelId === (values.otherName ?? values.name))!;
          for (const p of field)
            expect(other.points.hover.thrustPerPowerNPerW!.figure.value).toBeGreaterThanOrEqual(
              p.points.hover.thrustPerPowerNPerW!.figure.value,
            );
          // Everybody who would lead but for a limit is named as left out.
          const strongest = results.props.reduce((a, b) =>
            b.points.full.thrustN!.figure.value > a.points.full.thrustN!.figure.value ? b : a,
          );
          if (!field.includes(strongest)) expect(values.barred).toContain(strongest.propModelId);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a figure in it can be opened, and moves with its runs', () => {
    const of = (topN: number) => headline(campaignOf([...twiceRun('ref', 20, 700), ...twiceRun('big', topN, 650)]));
    expect(of(24)).toMatchObject({
      figure: 'big:full:thrustN',
      values: {
        name: 'big',
        thrustN: expect.closeTo(24, 6),
        differenceRatio: expect.closeTo(0.2, 3),
        reference: 'ref',
      },
    });
    expect(of(22).values.differenceRatio).toBeCloseTo(0.1, 3);
  });
});

describe('what is worth saying', () => {
  const pair = (of: (id: string) => ReturnType<typeof twiceRun>): CampaignInput =>
    campaignOf(['ref', 'big'].flatMap(of));
  const with24V = twiceRun('ref', 20, 700);

  test('a prop that needs much throttle to hover is named with it, until it needs less', () => {
    const hard = campaignOf([...with24V, ...twiceRun('small', 7.4, 300)]);
    expect(reasonsOf(hard)).toContainEqual(
      expect.objectContaining({
        code: 'highHover',
        values: expect.objectContaining({
          name: 'small',
          throttleRatio: expect.closeTo((4.903325 / 7.4) ** (1 / 1.8), 4),
          craft: 'Petrel',
        }),
      }),
    );
    expect(codesOf(campaignOf([...with24V, ...twiceRun('small', 14, 300)]))).not.toContain('highHover');
  });

  test('an exponent that no rotor has is told', () => {
    const odd = lawSteps(20, 700).map((s) => ({ ...s, speedRpm: 20_000 * s.throttleRatio! ** 0.5 }));
    expect(
      reasonsOf(campaignOf([...with24V, runOf('big', 1, odd), runOf('big', 2, odd)])).find(
        (r) => r.code === 'thrustExponent',
      ),
    ).toMatchObject({ severity: 'caution', values: { name: 'big', exponent: expect.closeTo(3.6, 6) } });
    expect(codesOf(pair((id) => twiceRun(id, 20, 700)))).not.toContain('thrustExponent');
  });

  test('another voltage than the present prop had is no fair comparison', () => {
    const sagged = twiceRun('big', 20, 700).map((r) => ({
      ...r,
      steps: r.steps.map((s) => ({ ...s, voltageV: 22.5 })),
    }));
    expect(reasonsOf(campaignOf([...with24V, ...sagged])).find((r) => r.code === 'voltageDiffers')).toMatchObject({
      values: { name: 'big', value: 22.5, other: 24 },
    });
    expect(codesOf(pair((id) => twiceRun(id, 20, 700)))).not.toContain('voltageDiffers');
  });

  test('a difference within the spread is no difference', () => {
    const same = campaignOf([...with24V, ...twiceRun('big', 20.02, 700)]);
    expect(reasonsOf(same).find((r) => r.code === 'sameThrust')).toMatchObject({
      severity: 'note',
      values: { name: 'big' },
    });
    expect(codesOf(campaignOf([...with24V, ...twiceRun('big', 24, 700)]))).not.toContain('sameThrust');
  });

  test('without repeats nobody knows the spread; without the present prop nothing to compare with', () => {
    const once = campaignOf([runOf('ref', 1, lawSteps(20, 700)), runOf('big', 1, lawSteps(24, 900))]);
    expect(codesOf(once)).toContain('noRepeats');
    expect(codesOf(campaignOf([...with24V, runOf('big', 1, lawSteps(24, 900))]))).not.toContain('noRepeats');
    expect(reasonsOf(campaignOf(twiceRun('big', 24, 900))).find((r) => r.code === 'referenceMissing')).toMatchObject({
      severity: 'action',
      values: { name: 'ref' },
    });
    expect(
      reasonsOf(campaignOf(twiceRun('big', 24, 900), noReference)).find((r) => r.code === 'referenceMissing'),
    ).toMatchObject({ values: { name: '' } });
    expect(codesOf(campaignOf([]))).not.toContain('referenceMissing');
  });

  test('of curves that cross, the power is told from which the other is better', () => {
    const steep = lawSteps(20, 700).map((s) => ({ ...s, thrustN: 21 * s.throttleRatio! ** 2.3 }));
    const crossing = campaignOf([...with24V, runOf('big', 1, steep), runOf('big', 2, steep)]);
    const found = reasonsOf(crossing).find((r) => r.code === 'betterAbove')!;
    // 21·u^2.3 = 20·u^1.8 at u = (20/21)²; power there is 700·u^2.7.
    expect(found.values).toMatchObject({
      name: 'big',
      reference: 'ref',
      powerW: expect.closeTo(700 * (20 / 21) ** 5.4, 4),
      isExtended: 0,
    });
    expect(found.values.lowW).toBeLessThanOrEqual(found.values.powerW as number);
    expect(found.values.highW).toBeGreaterThanOrEqual(found.values.powerW as number);
    // 19·u^2.3 would pass 20·u^1.8 at u = (20/19)², a third more power than was measured: told as extended.
    const later = lawSteps(20, 700).map((s) => ({ ...s, thrustN: 19 * s.throttleRatio! ** 2.3 }));
    const beyond = campaignOf([...with24V, runOf('big', 1, later), runOf('big', 2, later)]);
    expect(reasonsOf(beyond).find((r) => r.code === 'betterAbove')).toMatchObject({
      values: { isExtended: 1, powerW: expect.closeTo(700 * (20 / 19) ** 5.4, 4) },
    });
    // Much further on a law is a guess, and nothing is said.
    const far = lawSteps(20, 700).map((s) => ({ ...s, thrustN: 12 * s.throttleRatio! ** 2.3 }));
    const guess = campaignOf([...with24V, runOf('big', 1, far), runOf('big', 2, far)]);
    expect(codesOf(guess)).not.toContain('betterAbove');
    expect(codesOf(pair((id) => twiceRun(id, id === 'big' ? 24 : 20, 700)))).not.toContain('betterAbove');
  });

  test('danger stands first, then cautions, what to do, gains, notes', () => {
    const rank = { danger: 0, caution: 1, action: 2, gain: 3, note: 4 } as const;
    const all = reasonsOf(campaignOf([...with24V, ...twiceRun('big', 20.02, 600), ...twiceRun('small', 7.4, 1300)]));
    const order = all.map((r) => rank[r.severity]);
    expect(new Set(order).size).toBeGreaterThan(2);
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });
});

describe('another way of running', () => {
  const old = { protocolVersion: 1 };
  const now = { protocolVersion: 2 };

  test('runs of an earlier version are not ranked with those of the one in force, and what is to be repeated is named', () => {
    const runs = [
      runOf('ref', 1, lawSteps(20, 700), old),
      runOf('big', 1, lawSteps(24, 900), old),
      runOf('ref', 2, lawSteps(20, 700), now),
    ];
    const results = reduceCampaign(campaignOf(runs, { protocolVersion: 2 }));
    expect(results.props.map((p) => p.countedRunIds.length)).toEqual([1, 0, 0]);
    expect(results.props[1]!.leftOut[0]).toMatchObject({ code: 'otherProtocol', value: 1, limit: 2 });
    expect(results.reasons.find((r) => r.code === 'protocolRepeat')?.values).toEqual({
      version: 2,
      count: 2,
      names: 'big',
    });
    expect(codesOf(campaignOf(runs.slice(0, 2)))).not.toContain('protocolRepeat');
  });

  test('once all is repeated it is only told', () => {
    const runs = [...['ref', 'big'].flatMap((id) => [old, now].map((v, i) => runOf(id, i + 1, lawSteps(20, 700), v)))];
    expect(codesOf(campaignOf(runs, { protocolVersion: 2 }))).toContain('protocolChanged');
  });

  test('readings of another kind in an earlier version do not spoil the one in force', () => {
    const peaks = { ...old, readingKinds: { thrustN: 'peakHold' as const } };
    const means = { ...now, readingKinds: { thrustN: 'settledMean' as const } };
    const runs = [runOf('ref', 1, lawSteps(20, 700), peaks), runOf('big', 1, lawSteps(24, 900), means)];
    const results = reduceCampaign(campaignOf(runs, { protocolVersion: 2 }));
    expect(results.props[1]!.countedRunIds).toHaveLength(1);
  });
});
