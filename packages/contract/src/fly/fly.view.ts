import type { CardFigures, FlightComparison, FlightProtocol, PassAtFull, Reason } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CreateFlightCardDto } from './fly.dto.ts';

export interface FlightCardView extends RowView, Omit<CreateFlightCardDto, 'id' | 'flight'> {
  craftId: string;
  flightId: string;
  flownAt: string;
  durationS: number;
  packPieceId: string | null;
  note: string | null;
  propName: string;
  protocol: FlightProtocol;
  /** The how-manieth flight of this prop on this craft, by its cards. */
  nthFlight: number;
  worked: CardFigures;
  /** Why it must be flown again before it counts. */
  refly: Reason[];
}

export interface FlyView {
  /** The protocol in force. */
  protocol: FlightProtocol;
  /** The newest first, at most as many as a list holds. */
  cards: FlightCardView[];
  total: number;
  isCut: boolean;
  referencePropModelId: string | null;
  comparison: FlightComparison;
  static: StaticFiguresView[];
}

/** What a prop does at full throttle when the craft stands still, and what lets expect of its passes. */
export interface StaticFiguresView {
  propModelId: string;
  /** By the stand, from the craft's own runs: of all its rotors. */
  fullCurrentA: number | null;
  /** Of one rotor. */
  fullThrustN: number | null;
  isSimulated: boolean;
  /** By the model, at the airspeed that its passes tell; null without passes. */
  pass: PassAtFull | null;
  /** In hover, or a plane in cruise, by the model; null where it cannot carry the craft. */
  hoverThrottleRatio: number | null;
}
