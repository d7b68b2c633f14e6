import type { Reason, ReasonCode, ReasonValues } from '../figure/reason.ts';
import { cellVoltages, type PackChemistry } from '../powertrain/packChemistry.ts';
import { mean } from '../statistics/describe.ts';
import { climbRate } from './climb.ts';
import { timeToGateS } from './flightEnergy.ts';
import { twoPasses, windByTracks, type Pass } from './windAndSpeed.ts';

/** How climbs and passes are flown; figures of different ones are never held against each other. */
export interface FlightProtocol {
  angleDegrees: number;
  lowerM: number;
  upperM: number;
  version: number;
}

/** Where a craft has no protocol of its own yet. */
export const USUAL_PROTOCOL: FlightProtocol = { angleDegrees: 55, lowerM: 10, upperM: 50, version: 1 };

/** One climb between the two heights; without a time where the angle could not be held. */
export interface FlownClimb {
  durationS: number | null;
}

/** One straight and level pass. */
export interface FlownPass extends Pass {
  /** 1 at full throttle. */
  throttleRatio: number;
  currentA: number | null;
}

/** What a card of one flight says. */
export interface FlownCard {
  protocol: FlightProtocol;
  climbs: readonly FlownClimb[];
  passes: readonly FlownPass[];
  hoverThrottleRatio: number | null;
  hoverCurrentA: number | null;
  takeOffRollM: number | null;
  durationS: number;
  /** Put back by the charger or counted on board [Ah]. */
  usedAh: number | null;
  packCapacityAh: number | null;
  /** Of a cell, at rest before the flight [V]; null where nobody looked. */
  restCellV: number | null;
  chemistry: PackChemistry;
  /** Steady wind, by the passes or as it was told [m/s]. */
  windMPerS: number | null;
  hasPack: boolean;
  payloadKg: number;
  /** Of the craft without it [kg]. */
  massKg: number;
}

/** What is measured in the air, by name. */
export const flightFigureNames = [
  'climbRateMPerS',
  'airspeedMPerS',
  'passCurrentA',
  'hoverCurrentA',
  'hoverThrottleRatio',
  'enduranceS',
  'takeOffRollM',
] as const;
export type FlightFigureName = (typeof flightFigureNames)[number];
export type FlightFigures = Record<FlightFigureName, number | null>;

/** Figures of one card, and the wind that its passes tell. */
export interface CardFigures {
  figures: FlightFigures;
  /**
   * Wind by the passes [m/s] and where it comes from [°]: of two opposite ones the part along them alone, whose side is
   * not told. Null where they tell none.
   */
  wind: { windMPerS: number; fromDegrees: number | null } | null;
  /** Climbs on which the angle was not held. */
  notHeldCount: number;
  /** True where passes lie too close together to tell wind from speed. */
  isIllConditioned: boolean;
}

/** Charge left at which a flight ends. */
export const LANDING_GATE_RATIO = 0.2;
/** A pass at this throttle or more is one at full throttle. */
const FULL_RATIO = 0.97;
/** Tracks within this of opposite are a pair [°]. */
const OPPOSITE_DEGREES = 25;

/** Works one card out: what was not flown stays null, and a single pass is no airspeed. */
export function cardFigures(card: FlownCard): CardFigures {
  const { lowerM, upperM } = card.protocol;
  const times = card.climbs.flatMap(({ durationS }) => (durationS === null ? [] : [durationS]));
  const full = card.passes.filter((p) => p.throttleRatio >= FULL_RATIO);
  const currents = full.flatMap(({ currentA }) => (currentA === null ? [] : [currentA]));
  const speed = speedOf(full);
  const usedA = card.usedAh === null ? null : (card.usedAh * 3600) / card.durationS;
  return {
    figures: {
      climbRateMPerS: times.length === 0 ? null : mean(times.map((t) => climbRate(lowerM, upperM, t))),
      airspeedMPerS: speed?.airspeedMPerS ?? null,
      passCurrentA: currents.length === 0 ? null : mean(currents),
      hoverCurrentA: card.hoverCurrentA,
      hoverThrottleRatio: card.hoverThrottleRatio,
      enduranceS:
        usedA === null || usedA === 0 || card.packCapacityAh === null
          ? null
          : timeToGateS(card.packCapacityAh, 0, usedA, LANDING_GATE_RATIO),
      takeOffRollM: card.takeOffRollM,
    },
    wind: speed?.wind ?? null,
    notHeldCount: card.climbs.length - times.length,
    isIllConditioned: speed?.isIllConditioned ?? false,
  };
}

/** Airspeed of passes: by three tracks or more where they lie wide apart, else by opposite pairs; null with neither. */
function speedOf(passes: readonly FlownPass[]) {
  if (passes.length >= 3) {
    try {
      const found = windByTracks(passes);
      if (!found.isIllConditioned)
        return {
          airspeedMPerS: found.airspeedMPerS,
          wind: { windMPerS: found.windMPerS, fromDegrees: found.windFromDegrees },
          isIllConditioned: false,
        };
    } catch {
      // Tracks all alike tell nothing together; a pair among them may.
    }
  }
  const pairs = pairsOf(passes);
  if (pairs.length === 0)
    return passes.length >= 3 ? { airspeedMPerS: null, wind: null, isIllConditioned: true } : null;
  const found = pairs.map(([a, b]) => twoPasses(a.groundSpeedMPerS, b.groundSpeedMPerS));
  return {
    airspeedMPerS: mean(found.map((f) => f.airspeedMPerS)),
    wind: { windMPerS: mean(found.map((f) => Math.abs(f.headwindMPerS))), fromDegrees: null },
    isIllConditioned: false,
  };
}

function pairsOf(passes: readonly FlownPass[]): [FlownPass, FlownPass][] {
  const left = [...passes];
  const pairs: [FlownPass, FlownPass][] = [];
  while (left.length > 1) {
    const first = left.shift()!;
    const at = left.findIndex((p) => {
      const turn = Math.abs(((p.trackDegrees - first.trackDegrees + 540) % 360) - 180);
      return turn > 180 - OPPOSITE_DEGREES;
    });
    if (at >= 0) pairs.push([first, left.splice(at, 1)[0]!]);
  }
  return pairs;
}

/** Gusts grow with the wind: beyond this a climb or a pass says more of the air than of the prop [m/s]. */
export const MOST_WIND_M_PER_S = 7;

/** Another payload than this share of the craft makes another flight of it. */
const PAYLOAD_RATIO = 0.02;

/** What cards must have in common to be held against each other. */
export interface FlightRule {
  /** Protocol in force. */
  version: number;
  /** What most of them carried [kg]. */
  payloadKg: number;
}

/**
 * The rule for cards of one craft: the protocol in force, and the payload that most of them carried, the newest
 * first.
 */
export function flightRule(cards: readonly Pick<FlownCard, 'payloadKg'>[], version: number): FlightRule {
  const counts = new Map<number, number>();
  for (const { payloadKg } of cards) counts.set(payloadKg, (counts.get(payloadKg) ?? 0) + 1);
  const [payloadKg] = [...counts].sort(([, a], [, b]) => b - a)[0] ?? [0];
  return { version, payloadKg };
}

/** Why a card must be flown again before it counts beside others; none where it counts. */
export function reflyReasons(card: FlownCard, rule: FlightRule): Reason[] {
  const reasons: Reason[] = [];
  const say = <C extends ReasonCode>(code: C, values: ReasonValues<C>): void => {
    reasons.push({ code, severity: 'action', values: values as Reason['values'], figure: null });
  };
  const wind = Math.max(cardFigures(card).wind?.windMPerS ?? 0, card.windMPerS ?? 0);
  const leastV = cellVoltages[card.chemistry].gateV;
  if (card.protocol.version !== rule.version)
    say('fly.refly.protocol', { version: card.protocol.version, current: rule.version });
  if (Math.abs(card.payloadKg - rule.payloadKg) > PAYLOAD_RATIO * card.massKg)
    say('fly.refly.payload', { payloadKg: card.payloadKg, usualKg: rule.payloadKg });
  if (!card.hasPack) say('fly.refly.noPack', {});
  else if (card.restCellV !== null && card.restCellV < leastV)
    say('fly.refly.lowPack', { restV: card.restCellV, leastV });
  if (wind > MOST_WIND_M_PER_S) say('fly.refly.wind', { wind, most: MOST_WIND_M_PER_S });
  return reasons;
}
