import type { CraftView, FlyView, PropModelView } from '@zivvo/contract';
import { compareFlights, cardFigures, layOut, reflyReasons, USUAL_PROTOCOL, type FlownCard } from '@zivvo/core';

export const aCraft = {
  id: 'c1',
  name: 'Petrel',
  kind: 'multirotor',
  rotors: layOut({ layout: 'quadX', diagonalM: 0.3, arms: null }),
  packChemistry: 'lipo',
  referencePropModelId: 'm1',
  clearanceDiameterM: 0.2,
} as unknown as CraftView;

const model = (id: string, label: string): PropModelView =>
  ({
    id,
    label,
    makerName: 'Brindlow',
    bladeCount: 3,
    tipShape: 'standard',
    diameterM: 0.183,
    pitchM: 0.099,
  }) as unknown as PropModelView;
export const models = [model('m1', '7.2x3.9x3'), model('m2', '7.4x4.2x2')];

export const flown = (more: Partial<FlownCard> = {}): FlownCard => ({
  protocol: USUAL_PROTOCOL,
  climbs: [{ durationS: 6 }],
  passes: [
    { groundSpeedMPerS: 20, trackDegrees: 90, throttleRatio: 1, currentA: 60 },
    { groundSpeedMPerS: 16, trackDegrees: 270, throttleRatio: 1, currentA: 62 },
  ],
  hoverThrottleRatio: 0.32,
  hoverCurrentA: 12,
  takeOffRollM: null,
  durationS: 240,
  usedAh: 1.2,
  packCapacityAh: 4,
  restCellV: 4.18,
  chemistry: 'lipo',
  windMPerS: null,
  hasPack: true,
  payloadKg: 0,
  massKg: 1.9,
  ...more,
});

/** What the server says of flights with these props, the newest last. */
export function aFly(cards: readonly { propId: 'm1' | 'm2'; card: FlownCard }[]): FlyView {
  const pass = { currentRatio: 0.88, advanceRatio: 0.42, speedRpm: 14_900, pitchSpeedRatio: 0.71 };
  const nameOf = { m1: 'Brindlow 7.2×3.9×3', m2: 'Brindlow 7.4×4.2×2' };
  return {
    protocol: USUAL_PROTOCOL,
    total: cards.length,
    isCut: false,
    referencePropModelId: 'm1',
    static: [
      { propModelId: 'm1', fullCurrentA: 80, fullThrustN: 17, isSimulated: false, pass, hoverThrottleRatio: 0.34 },
    ],
    comparison: compareFlights(
      cards.map(({ propId, card }, i) => ({ cardId: `k${i}`, propId, propName: nameOf[propId], card })),
      'm1',
      1,
    ),
    cards: cards.map(({ propId, card }, i) => ({
      ...card,
      id: `k${i}`,
      revision: 1,
      personId: null,
      createdAt: '2026-11-20T10:00:00Z',
      updatedAt: '2026-11-20T10:00:00Z',
      craftId: 'c1',
      flightId: `f${i}`,
      flownAt: '2026-11-20T10:00:00Z',
      packPieceId: card.hasPack ? 'p1' : null,
      note: null,
      propModelId: propId,
      propName: nameOf[propId],
      view: 'sight' as const,
      climbs: [...card.climbs],
      passes: card.passes.map((p) => ({ ...p })),
      motors: [],
      opinions: i === 0 ? [{ topic: 'grip' as const, stars: 4, words: 'holds' }] : [],
      logSha256: null,
      isCarefulFirst: false,
      nthFlight: i + 1,
      worked: cardFigures(card),
      refly: reflyReasons(card, { version: 1, payloadKg: 0 }),
    })),
  };
}
