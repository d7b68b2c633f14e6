import type { CraftView, JudgeView, PropModelView } from '@zivvo/contract';
import {
  usualMatters,
  weighEvidence,
  wishNames,
  type JudgeContender,
  type JudgeWeights,
  type KnownFigure,
} from '@zivvo/core';

export const aCraft = {
  id: 'c1',
  name: 'Petrel',
  kind: 'multirotor',
  rotors: ['cw', 'ccw', 'cw', 'ccw'].map((spin) => ({ spin })),
  referencePropModelId: 'm1',
} as unknown as CraftView;

export const models = ['7.2x3.9x3', '7.9x3.3x2'].map(
  (label, i) =>
    ({
      id: `m${i + 1}`,
      label,
      makerName: 'Brindlow',
      bladeCount: 3 - i,
      tipShape: 'standard',
      diameterM: 0.183,
      pitchM: 0.099,
      seriesIndex: i,
    }) as unknown as PropModelView,
);

const read = (source: KnownFigure['source'], value: number, difference: number | null): KnownFigure => ({
  source,
  value,
  halfWidth: 0.02 * value,
  place: 'e1',
  against: difference === null ? null : { difference, halfWidth: 0.015 },
  count: 2,
  isExtended: false,
  isSimulated: false,
});

const props = [
  { id: 'm1', known: { thrust: [read('stand', 19, null)], minutes: [read('stand', 0.06, null)] } },
  {
    id: 'm2',
    known: {
      thrust: [read('stand', 20, 0.05)],
      minutes: [read('stand', 0.07, 0.16)],
      quiet: [read('ear', 66, null)],
    },
  },
  { id: 'm3', known: { thrust: [read('model', 25, null)] } },
];

export const weightsOf = (some: Partial<JudgeWeights>): JudgeWeights =>
  ({ ...Object.fromEntries(wishNames.map((name) => [name, 0])), ...some }) as JudgeWeights;

/** Three props of a craft: the reference, a better one, and one that the ESC does not bear. */
export function aJudge(more: Partial<JudgeView> = {}): JudgeView {
  const rows = weighEvidence(props, 'm1');
  const names = ['Brindlow 7.2×3.9×3', 'Veddick 7.9×3.3×2', 'Kessro 7.4×4.6×4'];
  const contenders = props.map(({ id }, i): JudgeContender => ({
    id,
    name: names[i]!,
    row: rows.get(id)!,
    bars: id === 'm3' ? [{ limit: 'escCurrent', margin: 1.08, isMeasured: true }] : [],
  }));
  return {
    input: {
      craftName: 'Petrel',
      referenceId: 'm1',
      contenders,
      weights: weightsOf({ minutes: 10, thrust: 3, climb: 2 }),
      matters: usualMatters,
    },
    props: props.map(({ id }) => ({
      propModelId: id,
      opinions: id === 'm2' ? [{ topic: 'grip', stars: 4.5, count: 2 }] : [],
      votes: id === 'm2' ? { won: 2, of: 3 } : { won: 0, of: 0 },
      runCount: 2,
      flightCount: 0,
      takeCount: 0,
      isAdded: false,
    })),
    wishes: { id: null, revision: 0, isOwn: false, addedPropModelIds: [] },
    verdicts: [],
    verdictTotal: 0,
    changes: null,
    leftOutCount: 0,
    isSimulated: false,
    ...more,
  };
}
