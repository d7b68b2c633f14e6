import type {
  CareOutcome,
  CauseName,
  GainAxis,
  Retirement,
  RotorPlace,
  StrikeSeverity,
  StruckThing,
} from '@zivvo/core';
import { careOutcomeNames, causeWords, gainAxisNames, strikeSeverityNames, struckThingNames } from './careNames.ts';
import { formatMinutes, formatNumber, formatShare } from './formatQuantity.ts';
import { upperFirst } from './upperFirst.ts';
import { placeNames, retirementNames } from './names.ts';

interface Entry {
  kind: string;
  /** Tag of the piece; null where it speaks of the craft. */
  tag: string | null;
  values: Readonly<Record<string, number | string | boolean | null>>;
}

type Values = Entry['values'];
const text = (values: Values, key: string): string => String(values[key] ?? '');
const number = (values: Values, key: string): number => Number(values[key] ?? 0);
const because = (values: Values): string => (values.reason ? `: ${text(values, 'reason')}` : '');
const place = (values: Values): string => placeNames[values.place as RotorPlace]?.toLowerCase() ?? '';

const SENTENCES: Record<string, (v: Values) => string> = {
  walkedRound: (v) =>
    `Walked round, ${number(v, 'propCount')} props in ${formatNumber(number(v, 'durationS'), 0)} s: ` +
    `${number(v, 'findingCount') === 0 ? 'nothing found' : `${number(v, 'findingCount')} found`}, ` +
    `${careOutcomeNames[v.outcome as CareOutcome]}`,
  pieceLooked: (v) => `Looked over: ${careOutcomeNames[v.outcome as CareOutcome]}`,
  flown: (v) => `Flown ${formatMinutes(number(v, 'durationS'))}`,
  flightRemoved: () => 'A flight was taken out of the log',
  flightRestored: () => 'A flight was put back into the log',
  struck: (v) =>
    `Hit ${struckThingNames[v.thing as StruckThing]} at ${formatShare(number(v, 'throttleRatio'), 0)} ` +
    'throttle, ' +
    `${strikeSeverityNames[v.severity as StrikeSeverity]}${v.isCrash === true ? ', came down by it' : ''}`,
  pieceStruck: (v) =>
    `Hit ${struckThingNames[v.thing as StruckThing]}, ${strikeSeverityNames[v.severity as StrikeSeverity]}`,
  gainSheetOpened: () => 'A gain sheet was opened',
  gainsFlown: (v) =>
    `${gainAxisNames[v.axis as GainAxis]} flown at ${number(v, 'percent')} %: ` +
    `${v.doesFlutter === true ? 'flutters' : v.doesReturn === false ? 'does not come back after a push' : 'rests'}`,
  ticketOpened: (v) => `Ticket opened: ${text(v, 'complaint')}`,
  ticketClosed: (v) => `Ticket closed${v.minutes === null ? '' : ` after ${number(v, 'minutes')} minutes`}`,
  faultFound: (v) => `Fault found: ${causeWords[v.cause as CauseName].name}`,
  armChanged: (v) =>
    `${upperFirst(place(v))}: ` +
    `${{ hand: 'another hand was written down', face: 'a piece was turned over', spin: 'the motor was seen to turn the other way', table: 'the controller’s table was changed', piece: 'another piece' }[text(v, 'what')] ?? 'changed'}`,
  fittingConfirmed: () => 'Arrangement seen and signed for',
  pieceAdded: () => 'Came in',
  pieceMeasured: () => 'Measured',
  pieceDescribed: () => 'Described',
  pieceCheckedIn: () => 'Checked in',
  pieceTrued: (v) => `Trued${v.isDynamic === true ? ' on its motor' : ''}${because(v)}`,
  pieceSentBack: (v) => `Sent back: no tape mends it${because(v)}`,
  pieceFitted: (v) => `Fitted, ${place(v)}${because(v)}`,
  pieceRemoved: (v) => `Taken off${v.markSha256 ? ', its mark photographed' : ''}${because(v)}`,
  pieceDressed: () => 'Mended; its balancing is void',
  pieceRetired: (v) => `Retired, ${retirementNames[v.as as Retirement]}${because(v)}`,
  pieceUnretired: (v) => `Brought back${because(v)}`,
  pieceMoved: (v) => `Moved to ${text(v, 'location')}`,
  pieceJoinedSet: () => 'Joined a set',
  pieceLeftSet: () => 'Left its set',
};

/** One entry of the maintenance log in words; a kind without words is shown as it is, never hidden. */
export function logSentence({ kind, tag, values }: Entry): string {
  const said = SENTENCES[kind]?.(values) ?? kind;
  return tag === null ? said : `${tag}: ${said.charAt(0).toLowerCase()}${said.slice(1)}`;
}
