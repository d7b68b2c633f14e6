import type { CraftView, ListeningView, ListenView, PropModelView, TakeView } from '@zivvo/contract';
import { areLevelsAbsolute, hearListening, type SoundTake } from '@zivvo/core';

export const aCraft = {
  id: 'c1',
  name: 'Petrel',
  kind: 'multirotor',
  rotors: [{}, {}, {}, {}],
  massKg: 1.92,
  referencePropModelId: 'm1',
} as unknown as CraftView;

export const models = ['7.2x3.9x3', '7.4x4.2x2'].map(
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
const names = { m1: 'Brindlow 7.2×3.9×3', m2: 'Brindlow 7.4×4.2×2' } as Record<string, string>;

export const aTake = (id: string, propModelId: string | null, levelDb: number | null, more: Partial<TakeView> = {}) =>
  ({
    id,
    propModelId,
    soundKey: propModelId,
    name: propModelId === null ? 'The place alone' : names[propModelId],
    bladeCount: propModelId === null ? null : 3,
    levelDb,
    distanceM: 4,
    thrustN: propModelId === null ? null : 18.8,
    rpm: null,
    spinDownS: null,
    clippedRatio: 0,
    sound: null,
    soundSha256: null,
    runId: null,
    flightCardId: null,
    note: null,
    pattern: null,
    ...more,
  }) as TakeView;

/** What the server says of these takes. */
export function aListen(takes: readonly TakeView[], more: Partial<ListeningView> = {}): ListenView {
  const setup = {
    method: 'meter' as ListeningView['method'],
    distanceM: 4,
    chainOffsetDb: null as number | null,
    ...more,
  };
  const props = [...new Set(takes.flatMap((t) => t.soundKey ?? []))].map((soundKey) => ({
    soundKey,
    name: names[soundKey]!,
    bladeCount: soundKey === 'm1' ? 3 : 2,
  }));
  const isCalibrated = areLevelsAbsolute(setup.method, setup.chainOffsetDb);
  const result = hearListening({ ...setup, isCalibrated }, takes satisfies readonly SoundTake[], props, 'm1', null);
  const open = {
    id: 'l1',
    revision: 1,
    heardOn: 'craft',
    place: 'meadow',
    surface: 'grass',
    heightM: 1.5,
    windMPerS: null,
    note: null,
    listenedAt: '2026-11-20T12:00:00Z',
    hoverThrustN: 18.8,
    votes: [],
    correction: { offsetDb: 2.1, halfWidthDb: 5, count: 2 },
    ...setup,
    ...result,
    isAbsolute: isCalibrated,
    takes: takes.map((t) => ({ ...t, shownDb: t.levelDb, heard: result.heard.find((h) => h.id === t.id) ?? null })),
    props: props.map((p) => ({
      ...p,
      propModelId: p.soundKey,
      pattern: null,
      predictedDb: 66,
      riseTimeS: 0.08,
      spinDownS: null,
      passing: { frequencyHz: 430, prominenceDb: 12 },
      betweenDb: -22,
    })),
  } as unknown as ListeningView;
  return {
    listenings: [
      { id: 'l1', place: 'meadow', listenedAt: open.listenedAt, takeCount: takes.length, method: setup.method },
    ],
    open,
    referencePropModelId: 'm1',
  };
}
