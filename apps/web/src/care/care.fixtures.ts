import type {
  CareView,
  CaredPieceView,
  CraftView,
  GainSheetView,
  PropModelView,
  WalkaroundView,
} from '@zivvo/contract';

/** A craft of two arms and its care, as the server would tell of them; each test changes what it is about. */
export const aCraft = {
  id: 'c1',
  name: 'Petrel',
  ownerName: 'Seabird count',
  kind: 'multirotor',
  layout: 'custom',
  packSeriesCount: 6,
  referencePropModelId: 'm1',
  massKg: 1.9,
  revision: 1,
  rotors: [
    { place: 'frontLeft', level: 0, xM: 0.1, yM: -0.1, spin: 'cw', gearRatio: 1 },
    { place: 'frontRight', level: 0, xM: 0.1, yM: 0.1, spin: 'ccw', gearRatio: 1 },
  ],
} as unknown as CraftView;

export const aModel = {
  id: 'm1',
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18,
  pitchM: 0.1,
  bladeCount: 3,
  tipShape: 'standard',
  material: 'polycarbonate',
} as PropModelView;
export const otherModel = { ...aModel, id: 'm2', label: '7.7x4x3', makerName: 'Tamsk' } as PropModelView;

export function aPiece(
  tag: string,
  place: 'frontLeft' | 'frontRight',
  more: Partial<CaredPieceView> = {},
): CaredPieceView {
  return {
    piece: {
      id: tag,
      tag,
      place,
      level: 0,
      propModelId: 'm1',
      hand: 'cw',
      state: 'fitted',
      photoSha256: null,
    } as CaredPieceView['piece'],
    life: {
      flightCount: 30,
      durationS: 180_000,
      strikeCount: 0,
      usedRatio: 0.84,
      fatigueRatio: 0,
      hoursRatio: 0.84,
      isByFatigue: false,
      state: 'replaceSoon',
      dueInDays: 16,
      wear: { diameterM: 0.183, material: 'softPlastic', strikes: [], hasNick: false, alikeSpeedRpm: 0 },
    },
    openOutcome: null,
    alert: null,
    ...more,
  };
}

export function aCare(more: Partial<CareView> = {}): CareView {
  return {
    craftId: 'c1',
    setting: { policy: 'lenient', isFolding: false, revision: 0 },
    ready: {
      verdict: 'look',
      missing: [
        {
          verdict: 'look',
          where: 'walk',
          reason: { code: 'care.neverLooked', severity: 'action', values: { name: 'Petrel' }, figure: null },
        },
      ],
    },
    reasons: [],
    pieces: [aPiece('AB12', 'frontLeft'), aPiece('CD34', 'frontRight')],
    lastWalkaround: null,
    flights: [],
    strikes: [],
    motorsToFeel: [],
    alerts: [],
    flownS: 0,
    season: { days: 180, flightCount: 0, logDays: 0, hands: [] },
    ...more,
  };
}

export const aWalk = {
  id: 'w1',
  craftId: 'c1',
  revision: 1,
  updatedAt: '2026-11-24T12:00:00Z',
  lookedAt: '2026-11-24T12:00:00Z',
  personName: 'Irva Solt',
  durationS: 30,
  note: null,
  outcome: 'fly',
  isHurried: false,
  looks: [
    {
      place: 'frontLeft',
      level: 0,
      seen: ['top', 'underside', 'edges'],
      findings: [],
      photoSha256: null,
      pieceId: 'AB12',
      tag: 'AB12',
      outcome: 'fly',
      isTruingVoid: false,
      reasons: [],
    },
  ],
} as unknown as WalkaroundView;

export function aSheet(more: Partial<GainSheetView> = {}): GainSheetView {
  const stays = { status: 'stays', percent: 100 } as const;
  return {
    id: 's1',
    craftId: 'c1',
    revision: 3,
    updatedAt: '2026-11-07T12:00:00Z',
    oldPropModelId: 'm1',
    newPropModelId: 'm2',
    payloadKg: 0,
    hasGuards: false,
    packSeriesCount: 6,
    pitchPercent: 100,
    rollPercent: 100,
    yawPercent: 100,
    verticalPercent: 100,
    checks: ['balance', 'tightness', 'shaft'],
    testFlights: [],
    note: null,
    missingChecks: [],
    fitted: 'new',
    scale: {
      proportionalRatio: 0.79,
      derivativeRatio: 0.7,
      integralRatio: 0.7,
      roundedRatio: 0.79,
      isBounded: false,
      floorRatio: 0.47,
      stepCount: 24,
    },
    advice: {
      pitch: { status: 'try', percent: 100, floorPercent: 48 },
      roll: { status: 'try', percent: 97, floorPercent: 48 },
      yaw: stays,
      vertical: stays,
    },
    ...more,
  } as GainSheetView;
}
