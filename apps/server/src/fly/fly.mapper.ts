import type { FlightCardView, StaticFiguresView } from '@zivvo/contract';
import {
  cardFigures,
  currentInAir,
  reflyReasons,
  type FlightProtocol,
  type FlightRule,
  type FlownCard,
  type FlownProp,
  type Reason,
} from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { writtenModelName } from '../rack/propModel.mapper.ts';
import type { WholeCard } from './fly.repository.ts';

/** A card as the core works it out. */
export function toFlownCard(
  { card, flight, pack }: WholeCard,
  craft: Pick<CraftRow, 'packChemistry' | 'massKg'>,
): FlownCard {
  return {
    protocol: protocolOf(card),
    climbs: card.climbs,
    passes: card.passes,
    hoverThrottleRatio: card.hoverThrottleRatio,
    hoverCurrentA: card.hoverCurrentA,
    takeOffRollM: card.takeOffRollM,
    durationS: flight.durationS,
    usedAh: card.usedAh,
    packCapacityAh: pack?.capacityAh ?? null,
    restCellV: card.restCellV,
    chemistry: pack?.chemistry ?? craft.packChemistry,
    windMPerS: card.windMPerS,
    hasPack: flight.packPieceId !== null,
    payloadKg: card.payloadKg,
    massKg: craft.massKg,
  };
}

function protocolOf(card: WholeCard['card']): FlightProtocol {
  const { angleDegrees, lowerM, upperM, protocolVersion } = card;
  return { angleDegrees, lowerM, upperM, version: protocolVersion };
}

export function toFlightCardView(
  whole: WholeCard,
  craft: Pick<CraftRow, 'packChemistry' | 'massKg'>,
  rule: FlightRule,
  nthFlight: number,
): FlightCardView {
  const { card, flight, model } = whole;
  const flown = toFlownCard(whole, craft);
  return {
    ...toRowView(card),
    craftId: card.craftId,
    flightId: card.flightId,
    flownAt: flight.flownAt.toISOString(),
    durationS: flight.durationS,
    packPieceId: flight.packPieceId,
    note: flight.note,
    propModelId: card.propModelId,
    propName: writtenModelName(model),
    protocol: flown.protocol,
    view: card.view,
    payloadKg: card.payloadKg,
    restCellV: card.restCellV,
    windMPerS: card.windMPerS,
    climbs: card.climbs,
    passes: card.passes,
    hoverThrottleRatio: card.hoverThrottleRatio,
    hoverCurrentA: card.hoverCurrentA,
    takeOffRollM: card.takeOffRollM,
    usedAh: card.usedAh,
    motors: card.motors,
    opinions: card.opinions,
    logSha256: card.logSha256,
    isCarefulFirst: card.isCarefulFirst,
    nthFlight,
    worked: cardFigures(flown),
    refly: reflyReasons(flown, rule),
  };
}

/** Where the current in the air is not what the stand and the air let expect; a simulated stand says nothing of it. */
export function currentReasons(props: readonly FlownProp[], standing: readonly StaticFiguresView[]): Reason[] {
  return props.flatMap(({ propId, propName, figures }) => {
    const said = standing.find((s) => s.propModelId === propId);
    const airA = figures.passCurrentA?.mean ?? null;
    return said === undefined || said.isSimulated || said.pass === null || said.fullCurrentA === null || airA === null
      ? []
      : (currentInAir(propName, airA, said.fullCurrentA, said.pass) ?? []);
  });
}
