import {
  CoreError,
  readNumber,
  type BatteryReadings,
  type FlightLog,
  type RotorSpeeds,
  type ShakeSamples,
} from '@zivvo/core';
import { SaxesParser } from 'saxes';
import { eachPiece, eachRows } from '../shared/table/eachRows.ts';
import { readUlogTopics, type TopicReaders } from './ulogTopics.ts';

type Progress = (share: number) => void;

/** What a column of a table may be. */
export const logRoles = ['time', 'latitude', 'longitude', 'height', 'voltage', 'current'] as const;
export type LogRole = (typeof logRoles)[number];

/** Which column is what; motors are as many as have a speed. */
export interface LogColumns {
  columns: Record<LogRole, number | null>;
  motors: number[];
  /** What one of the times is [s]. */
  timeStepS: number;
}

const MOTORS_MOST = 16;
export const LOG_MOST_BYTES = 400_000_000;
export const LOG_MOST_ROWS = 1_000_000;
const COLUMNS_MOST = 120;

const MEANT: Record<LogRole, RegExp> = {
  time: /^(time|t|zeit|temps|tiempo|timestamp|elapsed|clock)\b/i,
  latitude: /^(lat|breite)/i,
  longitude: /^(lon|lng|länge|laenge)/i,
  height: /^(alt|height|ele|h[öo]he|baro)/i,
  voltage: /(volt|spannung|\bv_?bat)/i,
  current: /(current|strom|\bamp|\bcurr)/i,
};

/** Guesses what each column is by its heading; a person may say otherwise. */
export function guessColumns(names: readonly string[], firstTimes: readonly number[]): LogColumns {
  const columns = Object.fromEntries(
    logRoles.map((role) => {
      const at = names.findIndex((name) => MEANT[role].test(name.trim()));
      return [role, at < 0 ? null : at];
    }),
  ) as LogColumns['columns'];
  const motors = names.flatMap((name, i) => (/(rpm|u\/min)/i.test(name) ? [i] : []));
  return { columns, motors, timeStepS: timeStepOf(columns.time === null ? '' : names[columns.time]!, firstTimes) };
}

/** Microseconds and milliseconds by what is written, else by how far apart the first times lie. */
function timeStepOf(name: string, firstTimes: readonly number[]): number {
  if (/\b(us|µs)\b|micro/i.test(name)) return 1e-6;
  if (/\bms\b|milli/i.test(name)) return 1e-3;
  const steps = firstTimes.slice(1).map((t, i) => t - firstTimes[i]!);
  const middle = [...steps].sort((a, b) => a - b)[steps.length >> 1] ?? 0;
  return middle >= 5000 ? 1e-6 : middle >= 5 ? 1e-3 : 1;
}

/** A table that was read, column by column; a cell without a number is NaN. */
export interface LogTable {
  names: string[];
  columns: Float64Array[];
  rowCount: number;
}

/** @throws {CoreError} `notEnoughReadings` where there is no table in it */
export async function readTable(file: Blob, onProgress: Progress): Promise<LogTable> {
  const names: string[] = [];
  const lists: number[][] = [];
  let rowCount = 0;
  await eachRows(file, onProgress, (rows) => {
    for (const row of rows) {
      if (names.length === 0) {
        names.push(...row.slice(0, COLUMNS_MOST).map((cell, i) => cell.trim() || `column ${i + 1}`));
        for (const _ of names) lists.push([]);
      } else if (rowCount < LOG_MOST_ROWS) {
        lists.forEach((list, i) => list.push(cellOf(row[i])));
        rowCount++;
      }
    }
    return rowCount < LOG_MOST_ROWS;
  });
  if (rowCount < 10) throw new CoreError('notEnoughReadings', { what: 'fixes', count: rowCount, needed: 10 });
  return { names, columns: lists.map((list) => Float64Array.from(list)), rowCount };
}

/** A number, or a moment in words as seconds; NaN for neither. */
function cellOf(cell: string | undefined): number {
  if (cell === undefined || cell === '') return NaN;
  const plain = Number(cell);
  if (Number.isFinite(plain)) return plain;
  const read = readNumber(cell);
  if (read.status === 'read') return read.value;
  const [, hours, minutes, seconds] = /^(\d{1,2}):(\d\d):(\d\d(?:[.,]\d+)?)$/.exec(cell.trim()) ?? [];
  if (seconds !== undefined) return 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds.replace(',', '.'));
  return (/\d{4}-\d\d-\d\d/.test(cell) ? Date.parse(cell) : NaN) / 1000;
}

/**
 * The log in a table. Rows between two fixes repeat the place: only those where it moved count for the track.
 *
 * @throws {CoreError} `noColumn` where time or place is not said
 */
export function logOfTable(table: LogTable, { columns, motors, timeStepS }: LogColumns): FlightLog {
  const column = (role: LogRole): Float64Array | null =>
    columns[role] === null ? null : table.columns[columns[role]]!;
  const needed = (role: LogRole): Float64Array => {
    const found = column(role);
    if (found === null) throw new CoreError('noColumn', { what: role });
    return found;
  };
  const [time, latitude, longitude] = [needed('time'), needed('latitude'), needed('longitude')];
  const height = needed('height');
  const start = time.find(Number.isFinite) ?? 0;
  const seconds = time.map((t) => (t - start) * timeStepS);
  const fixes: number[] = [];
  for (let i = 0; i < table.rowCount; i++) {
    if (!Number.isFinite(latitude[i]! + longitude[i]! + height[i]! + seconds[i]!)) continue;
    const last = fixes.at(-1);
    if (last !== undefined && latitude[i] === latitude[last] && longitude[i] === longitude[last]) continue;
    fixes.push(i);
  }
  const pick = (list: Float64Array): Float64Array => Float64Array.from(fixes, (i) => list[i]!);
  const [voltage, current] = [column('voltage'), column('current')];
  return {
    track: {
      timeS: pick(seconds),
      latitudeDegrees: pick(latitude),
      longitudeDegrees: pick(longitude),
      heightM: pick(height),
    },
    battery: voltage && current ? { timeS: seconds, voltageV: voltage, currentA: current } : null,
    speeds: motors.length > 0 ? { timeS: seconds, rpm: motors.map((m) => table.columns[m]!) } : null,
    shake: null,
  };
}

/**
 * The track in a GPX file, read event by event.
 *
 * @throws {CoreError} `noTimes` where its points have none, `notXml` where it is broken, `notEnoughReadings`
 */
export async function readGpx(file: Blob, onProgress: Progress): Promise<FlightLog> {
  const lists = { timeS: [] as number[], latitude: [] as number[], longitude: [] as number[], height: [] as number[] };
  const parser = new SaxesParser();
  let inPoint = false;
  let text = '';
  let point = { latitude: NaN, longitude: NaN, height: NaN, timeMs: NaN };
  let untimed = 0;
  let startMs: number | null = null;
  let broken: string | null = null;
  parser.on('error', (error) => (broken ??= error.message));
  parser.on('opentag', ({ name, attributes }) => {
    text = '';
    if (name !== 'trkpt' && name !== 'rtept') return;
    inPoint = true;
    point = { latitude: Number(attributes.lat), longitude: Number(attributes.lon), height: NaN, timeMs: NaN };
  });
  parser.on('text', (part) => (text += part));
  parser.on('closetag', ({ name }) => {
    if (!inPoint) return;
    if (name === 'ele') point.height = Number(text);
    if (name === 'time') point.timeMs = Date.parse(text.trim());
    if (name !== 'trkpt' && name !== 'rtept') return;
    inPoint = false;
    if (!Number.isFinite(point.timeMs)) return void untimed++;
    startMs ??= point.timeMs;
    lists.timeS.push((point.timeMs - startMs) / 1000);
    lists.latitude.push(point.latitude);
    lists.longitude.push(point.longitude);
    lists.height.push(Number.isFinite(point.height) ? point.height : 0);
  });
  await eachPiece(file, onProgress, (piece) => {
    parser.write(piece);
    return broken === null;
  });
  if (broken === null) parser.close();
  if (broken !== null) throw new CoreError('notXml', { what: broken });
  if (lists.timeS.length === 0 && untimed > 0) throw new CoreError('noTimes', { count: untimed });
  return {
    track: {
      timeS: lists.timeS,
      latitudeDegrees: lists.latitude,
      longitudeDegrees: lists.longitude,
      heightM: lists.height,
    },
    battery: null,
    speeds: null,
    shake: null,
  };
}

/**
 * The log of a flight controller that writes ULog.
 *
 * @throws {CoreError} `truncated` where it breaks off before its first fix or cannot be read, `noFixes`
 */
export async function readUlog(file: Blob, onProgress: Progress): Promise<FlightLog> {
  const fixes = { timeS: [] as number[], latitude: [] as number[], longitude: [] as number[], height: [] as number[] };
  const battery = { timeS: [] as number[], voltageV: [] as number[], currentA: [] as number[] };
  const motors = { timeS: [] as number[], rpm: [] as number[][] };
  const shake = { timeS: [] as number[], x: [] as number[], y: [] as number[], z: [] as number[] };
  const topics: TopicReaders = {
    vehicle_gps_position: (field) => {
      const [whole, degrees] = [field('lat'), field('latitude_deg')];
      const [wholeLon, degreesLon] = [field('lon'), field('longitude_deg')];
      const [millimetres, metres] = [field('alt'), field('altitude_msl_m')];
      return (timeS, at) => {
        if (fixes.timeS.length > 0 && timeS <= fixes.timeS.at(-1)!) return;
        fixes.timeS.push(timeS);
        fixes.latitude.push(degrees ? degrees(at) : whole ? whole(at) / 1e7 : NaN);
        fixes.longitude.push(degreesLon ? degreesLon(at) : wholeLon ? wholeLon(at) / 1e7 : NaN);
        fixes.height.push(metres ? metres(at) : millimetres ? millimetres(at) / 1000 : 0);
      };
    },
    battery_status: (field) => {
      const voltage = field('voltage_v') ?? field('voltage_filtered_v');
      const current = field('current_a') ?? field('current_filtered_a');
      return (timeS, at) => {
        battery.timeS.push(timeS);
        battery.voltageV.push(voltage ? voltage(at) : NaN);
        battery.currentA.push(current ? current(at) : NaN);
      };
    },
    esc_status: (field) => {
      const told = Array.from({ length: MOTORS_MOST }, (_, r) => field(`rpm[${r}]`) ?? field(`esc[${r}].esc_rpm`));
      const known = told.filter((t) => t !== null);
      return (timeS, at) => {
        motors.timeS.push(timeS);
        known.forEach((rpm, r) => (motors.rpm[r] ??= []).push(Math.abs(rpm(at))));
      };
    },
    sensor_combined: (field) => {
      const [x, y, z] = [0, 1, 2].map((k) => field(`accelerometer_m_s2[${k}]`));
      return (timeS, at) => {
        shake.timeS.push(timeS);
        shake.x.push(x ? x(at) : NaN);
        shake.y.push(y ? y(at) : NaN);
        shake.z.push(z ? z(at) : NaN);
      };
    },
  };
  const named = await readUlogTopics(file, topics, onProgress);
  if (fixes.timeS.length === 0)
    // Without any topic it broke off while it still said what would come.
    throw new CoreError(named.size === 0 || named.has('vehicle_gps_position') ? 'truncated' : 'noFixes', {});
  return {
    track: {
      timeS: fixes.timeS,
      latitudeDegrees: fixes.latitude,
      longitudeDegrees: fixes.longitude,
      heightM: fixes.height,
    },
    battery: battery.timeS.length > 1 ? (battery satisfies BatteryReadings) : null,
    speeds: turning(motors),
    shake: evenly(shake),
  };
}

/** Motors that turned at all: a controller has room for more than a craft has. */
function turning({ timeS, rpm }: { timeS: number[]; rpm: number[][] }): RotorSpeeds | null {
  const used = rpm.filter((own) => own.length === timeS.length && own.some((v) => v > 0));
  return timeS.length > 1 && used.length > 0 ? { timeS, rpm: used } : null;
}

/** Samples as if evenly spaced: their own mean rate. */
function evenly({ timeS, x, y, z }: { timeS: number[]; x: number[]; y: number[]; z: number[] }): ShakeSamples | null {
  if (timeS.length < 100) return null;
  const spanS = timeS.at(-1)! - timeS[0]!;
  return spanS > 0 ? { rateHz: (timeS.length - 1) / spanS, startS: timeS[0]!, x, y, z } : null;
}
