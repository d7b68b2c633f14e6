import type { LoggedSegment, LogReport } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import type { WorkProblem } from '../shared/worker/workProblem.ts';
import type { CardEntry } from './cardEntry.ts';
import { segmentNames } from './flyWords.ts';

/** Why a file tells nothing, and what to do about it. */
export function logProblem({ code, what, allowed }: WorkProblem): string {
  switch (code) {
    case 'stopped':
      return 'Stopped; nothing was taken over.';
    case 'noTimes':
      return 'The track has no times, so no speeds: let the receiver write them, or type a card by hand.';
    case 'timeBackwards':
      return (
        'Its time runs backwards: two logs in one file, or a clock that was set on the way. Cut it there and try ' +
        'again.'
      );
    case 'noColumn':
      return `Say first which column is the ${what}.`;
    case 'noSuchPlace':
      return 'A latitude or longitude in it is none: are the two columns the right way round, in degrees?';
    case 'noFixes':
      return 'The log holds no positions: nothing was received in the air, or it was written without them.';
    case 'truncated':
      return 'The log breaks off before its first positions and cannot be read.';
    case 'notXml':
      return 'The file is broken in the middle: copy it from the receiver again.';
    case 'notText':
      return 'This is no table, no GPX track and no ULog.';
    case 'tooLarge':
      return 'The file is larger than 400 MB: cut it to the flight.';
    case 'notEnoughReadings':
      return 'There are fewer than ten positions in it.';
    case 'outOfRange':
      return `${what} does not fit: ${allowed}. Move the ends further apart.`;
    default:
      return `${what}: cannot be read. ${allowed}`.trim();
  }
}

/** What a stretch says, as short as a row takes. */
export function segmentText(s: LoggedSegment): string {
  const current = s.currentA === null ? '' : `, ${formatNumber(s.currentA, 1)} A`;
  switch (s.kind) {
    case 'climb':
      return (
        `${formatNumber(s.climbRateMPerS, 1)} m/s at ${formatNumber(s.angleDegrees, 0)}°, ` +
        `${formatNumber(s.fromHeightM, 0)} to ${formatNumber(s.toHeightM, 0)} m${current}`
      );
    case 'pass':
      return `${formatNumber(s.groundSpeedMPerS, 1)} m/s over ground on ${formatNumber(s.trackDegrees, 0)}°${current}`;
    case 'hover':
      return `${formatNumber(s.toS - s.fromS, 0)} s${current}`;
  }
}

/** The answer of the page. */
export function logHeadline(report: LogReport, segments: readonly LoggedSegment[]): string {
  if (report.shake !== null && 'shaker' in report.shake && report.shake.shaker !== null)
    return `Motor ${report.shake.shaker + 1} shakes the craft`;
  const counts = (['climb', 'pass', 'hover'] as const).flatMap((kind) => {
    const count = segments.filter((s) => s.kind === kind).length;
    const many = kind === 'pass' ? 'passes' : `${segmentNames[kind].toLowerCase()}s`;
    return count === 0 ? [] : [`${count} ${count === 1 ? segmentNames[kind].toLowerCase() : many}`];
  });
  return counts.length === 0 ? 'No climb, pass or hover is found in it' : `Found: ${counts.join(', ')}`;
}

/** What the log says beside its stretches, sentence by sentence. */
export function logSaid({ wind, battery, shake }: LogReport): string[] {
  const said: string[] = [];
  if (shake !== null) {
    if ('why' in shake)
      said.push(
        shake.why === 'aliased'
          ? 'Acceleration is written too slowly for how fast the motors turn: what turns with them cannot be told.'
          : 'Too little acceleration is written to tell what turns with which motor.',
      );
    else {
      const list = shake.shakeMPerS2.map((s, r) => `motor ${r + 1} ${formatNumber(s, 2)}`).join(', ');
      said.push(`Shake once a turn, m/s²: ${list}.`);
      if (shake.shaker === null) said.push('No motor shakes beyond the others.');
      else said.push(`Look at the prop and the shaft of motor ${shake.shaker + 1} first: balance it, then fly again.`);
    }
  }
  if (wind !== null)
    said.push(
      wind.isIllConditioned
        ? 'The passes lie within 120°: wind and airspeed cannot be told apart. Fly opposite ones too.'
        : `Airspeed ${formatNumber(wind.airspeedMPerS, 1)} m/s; wind ${formatNumber(wind.windMPerS, 1)} m/s from ` +
            `${formatNumber(wind.windFromDegrees, 0)}°${wind.standardErrorMPerS === null ? '' : `, ± ${formatNumber(2 * wind.standardErrorMPerS, 1)} m/s`}.`,
    );
  if (battery !== null) {
    const perKm =
      battery.energyPerKilometreJ === null
        ? ''
        : `, ${formatNumber(battery.energyPerKilometreJ / 3600, 1)} Wh a kilometre`;
    said.push(
      `${formatNumber(battery.energyPerMinuteJ / 3600, 2)} Wh a minute${perKm}; ` +
        `${formatNumber(battery.usedAh, 2)} Ah used.`,
    );
  }
  return said;
}

/** How sure a stretch is one. */
export const sureText = ({ confidence }: LoggedSegment): string => `${formatShare(confidence, 0)} sure`;

/** A card with what the log says typed into it; what was typed before stays where the log has nothing. */
export function cardFromLog(
  entry: CardEntry,
  report: LogReport,
  segments: readonly LoggedSegment[],
  protocol: { lowerM: number; upperM: number },
): CardEntry {
  const tenth = (value: number): string => String(Math.round(10 * value) / 10);
  const of = (kind: LoggedSegment['kind']): LoggedSegment[] => segments.filter((s) => s.kind === kind);
  const [climbs, passes, hovers] = [of('climb'), of('pass'), of('hover')];
  const hover = hovers.find((s) => s.currentA !== null);
  return {
    ...entry,
    // The rate is what was flown; the protocol's heights make it the time that a card holds.
    climbs:
      climbs.length === 0
        ? entry.climbs
        : climbs.map((s) => ({ time: tenth((protocol.upperM - protocol.lowerM) / s.climbRateMPerS), isHeld: true })),
    speedUnit: passes.length === 0 ? entry.speedUnit : 'm/s',
    passes:
      passes.length === 0
        ? entry.passes
        : passes.map((s) => ({
            speed: tenth(s.groundSpeedMPerS),
            track: String(Math.round(s.trackDegrees) % 360),
            current: s.currentA === null ? '' : tenth(s.currentA),
            throttle: '',
          })),
    hoverCurrent: hover ? tenth(hover.currentA!) : entry.hoverCurrent,
    minutes: String(Math.round((10 * report.durationS) / 60) / 10),
    usedAh: report.battery === null ? entry.usedAh : String(Math.round(100 * report.battery.usedAh) / 100),
    wind: report.wind === null || report.wind.isIllConditioned ? entry.wind : tenth(report.wind.windMPerS),
  };
}
