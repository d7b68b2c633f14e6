import type { CampaignResultsView, FlyView, FrozenVerdictView, JudgedPropView, ListeningView } from '@zivvo/contract';
import {
  usablePieceCost,
  type ComparedFigure,
  type Figure,
  type FlightFigureName,
  type JudgeBar,
  type KnownFigure,
  type PickLimit,
  type PropResult,
  type WishName,
  type YieldResult,
} from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import type { KeptVerdictRow } from './judge.repository.ts';

type Known = Partial<Record<WishName, KnownFigure>>;

/** Where nothing was repeated, figures lie about this far off [share]: a judgement. */
const UNREPEATED = { stand: 0.04, air: 0.08 } as const;

/** What an evening on the stand says of one of its props, and what of it is beyond a limit. */
export function standEvidence(
  { campaign }: Pick<CampaignResultsView, 'campaign'>,
  prop: PropResult,
  referenceId: string,
): { known: Known; bars: JudgeBar[]; readLimits: PickLimit[] } {
  const isSameReference = campaign.referencePropModelId === referenceId;
  const read = (compared: ComparedFigure | undefined): KnownFigure | undefined => {
    const value = compared?.figure.value;
    if (!compared || value === null || value === undefined || !(value > 0)) return undefined;
    const { differenceRatio, differenceHalfWidthRatio } = compared;
    return {
      source: 'stand',
      value,
      halfWidth: value * (compared.repeatHalfWidthRatio ?? UNREPEATED.stand),
      place: campaign.id,
      against:
        isSameReference && differenceRatio !== null
          ? {
              difference: differenceRatio,
              halfWidth: differenceHalfWidthRatio ?? UNREPEATED.stand * Math.SQRT2 * (1 + differenceRatio),
            }
          : null,
      count: compared.runCount,
      isExtended: compared.figure.mark === 'extended',
      isSimulated: prop.origin === 'simulated',
    };
  };
  const { full, hover, response } = prop.points;
  const current = full.currentA?.figure;
  return {
    known: present({
      thrust: read(full.thrustN),
      minutes: read(hover.thrustPerPowerNPerW),
      answer: read(response.riseS),
    }),
    bars: prop.breaches.map(({ limit, value, limitValue }) => ({
      limit,
      margin: value / limitValue,
      isMeasured: true,
    })),
    // What was read at full throttle need not be predicted.
    readLimits: [
      ...(isRead(current) ? (['escCurrent', 'motorCurrent'] as const) : []),
      ...(isRead(full.speedRpm?.figure) ? (['makerSpeed'] as const) : []),
    ],
  };
}

const isRead = (figure: Figure | undefined): boolean => figure?.value != null && figure.mark === 'measured';

/** What flights by protocol say of one prop. */
export function airEvidence({ comparison, protocol }: FlyView, propModelId: string): Known {
  const flown = comparison.props.find((p) => p.propId === propModelId);
  const reference = comparison.props.find((p) => p.isReference);
  const read = (name: FlightFigureName): KnownFigure | undefined => {
    const figure = flown?.figures[name];
    if (!figure) return undefined;
    const share = figure.halfWidthRatio ?? UNREPEATED.air;
    const other = reference?.figures[name]?.halfWidthRatio ?? UNREPEATED.air;
    return {
      source: 'air',
      value: figure.mean,
      halfWidth: figure.mean * share,
      place: `protocol ${protocol.version}`,
      against:
        figure.differenceRatio === null
          ? null
          : {
              difference: figure.differenceRatio,
              halfWidth: (1 + figure.differenceRatio) * Math.hypot(share, other),
            },
      count: figure.count,
      isExtended: false,
      isSimulated: false,
    };
  };
  return present({ climb: read('climbRateMPerS'), speed: read('airspeedMPerS') });
}

/** What a listening says of one prop with its blades as they came. */
export function earEvidence({ id, props, ranking }: ListeningView, propModelId: string): Known {
  const key = props.find((p) => p.propModelId === propModelId && p.pattern === null)?.soundKey;
  const heard = ranking?.sounds.find((s) => s.soundKey === key);
  if (!heard) return {};
  return {
    quiet: {
      source: 'ear',
      value: heard.levelDb,
      halfWidth: heard.halfWidthDb,
      place: id,
      against:
        heard.differenceDb === null
          ? null
          : { difference: heard.differenceDb, halfWidth: heard.differenceHalfWidthDb ?? heard.halfWidthDb },
      count: heard.takeCount,
      isExtended: heard.isExtended,
      isSimulated: false,
    },
  };
}

/** What the rack says of a model: how much of a bag is usable, and what a usable piece costs. */
export function rackEvidence({ bagPrice, bagCount }: PropModelRow, turnedOut: YieldResult | undefined): Known {
  const usable = turnedOut?.usable ?? null;
  // Of a handful of pieces the middle of the interval says more than their share: none of three is not none of any.
  const share = usable ? (usable.lowRatio + usable.highRatio) / 2 : 1;
  const shareHalfWidth = usable ? (usable.highRatio - usable.lowRatio) / 2 : 0;
  const known = (value: number, halfWidth: number): KnownFigure => ({
    source: 'rack',
    value,
    halfWidth,
    place: null,
    against: null,
    count: turnedOut?.pieceCount ?? 0,
    isExtended: false,
    isSimulated: false,
  });
  const priced = (price: number, count: number): KnownFigure => {
    const value = usablePieceCost({ bagPrice: price, bagCount: count, usableRatio: share });
    return known(value, (value * shareHalfWidth) / share);
  };
  return present({
    usable: usable ? known(usable.ratio, shareHalfWidth) : undefined,
    price: bagPrice !== null && bagPrice > 0 && bagCount !== null ? priced(bagPrice, bagCount) : undefined,
  });
}

const present = (known: Partial<Record<WishName, KnownFigure | undefined>>): Known =>
  Object.fromEntries(Object.entries(known).filter(([, figure]) => figure !== undefined));

/** What was felt of a prop, and how it fared unseen. */
export function opinionsOf(
  { cards }: Pick<FlyView, 'cards'>,
  listening: Pick<ListeningView, 'votes' | 'props'> | null,
  propModelId: string,
): Pick<JudgedPropView, 'opinions' | 'votes'> {
  const stars = new Map<JudgedPropView['opinions'][number]['topic'], number[]>();
  for (const { topic, stars: n } of cards.filter((c) => c.propModelId === propModelId).flatMap((c) => c.opinions))
    stars.set(topic, [...(stars.get(topic) ?? []), n]);
  const key = listening?.props.find((p) => p.propModelId === propModelId && p.pattern === null)?.soundKey;
  const votes = (listening?.votes ?? []).filter((v) => key !== undefined && [v.likedKey, v.otherKey].includes(key));
  return {
    opinions: [...stars].map(([topic, all]) => ({
      topic,
      stars: all.reduce((sum, n) => sum + n, 0) / all.length,
      count: all.length,
    })),
    votes: {
      won: votes.reduce((sum, v) => sum + (v.likedKey === key ? v.liked : v.votes - v.liked), 0),
      of: votes.reduce((sum, v) => sum + v.votes, 0),
    },
  };
}

export function toFrozenVerdictView(row: KeptVerdictRow): FrozenVerdictView {
  const { personId, note, headline, winnerPropModelId } = row;
  return { ...toRowView(row), frozenAt: row.createdAt.toISOString(), personId, note, headline, winnerPropModelId };
}
