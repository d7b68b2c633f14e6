import { LABEL_MAX_LENGTH, type LabelProblem } from './propLabel.ts';
import { readNumber } from '../units/readNumber.ts';

export type MotorLabelReason =
  | { code: 'statorDigits'; digits: string }
  | { code: 'statorWritten' }
  | { code: 'canSize'; digits: string }
  | { code: 'kvWritten' }
  | { code: 'kvByPlace' }
  | { code: 'kvMissing' }
  | { code: 'turns'; digits: string };

export interface MotorLabelReading {
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number | null;
  turnCount: number | null;
  reasons: MotorLabelReason[];
  likelihoodRatio: number;
}

export type MotorLabelResult =
  | { status: 'read'; text: string; readings: MotorLabelReading[] }
  | { status: 'unreadable'; text: string; problem: LabelProblem };

/** Can over stator, diameter and height, of usual outrunners: what is left when bell and windings are taken off. */
const CAN_DIAMETER_RATIO = 0.79;
const CAN_HEIGHT_RATIO = 0.42;
/** Motors named by their can are rarer than those named by their stator. */
const CAN_LIKELIHOOD = 0.15;

/**
 * Reads a motor's label: four digits of stator diameter and height in millimetres, kV or turns behind them.
 *
 * Forms: `2406 2350`, `2208.5 2900 kV`, `2207-1750KV`, `2814/9`, `2212/13T 1000kV`, `22x8 2450`, `24062350`.
 * A number of at least 100 behind the size is kV, up to 60 it is turns. Some labels give the can instead of the
 * stator; that reading is offered too, less likely, with the stator estimated from it.
 *
 * @param text - the label as typed, at most 60 characters
 * @returns readings with SI sizes, likeliest first, or why none could be made
 * @example readMotorLabel('2406 2350') // => 24 mm × 6 mm, 2350 rpm/V
 */
export function readMotorLabel(text: string): MotorLabelResult {
  const typed = text.trim();
  if (typed === '') return { status: 'unreadable', text, problem: 'empty' };
  if (typed.length > LABEL_MAX_LENGTH) return { status: 'unreadable', text, problem: 'tooLong' };
  if (!/\d/.test(typed)) return { status: 'unreadable', text, problem: 'noDigits' };
  const normal = typed
    .toLowerCase()
    .replace(/[×*]/g, 'x')
    .replace(/[–—−_]/g, '-')
    .replace(/(?<=\d),(?=\d)/g, '.');
  const size = findSize(normal);
  if (!size) return { status: 'unreadable', text, problem: 'noSensibleSize' };
  const { kvRpmPerV, turnCount, reasons } = readWinding(normal.slice(size.end));
  const stator: MotorLabelReading = {
    statorDiameterM: size.diameterMm / 1000,
    statorHeightM: size.heightMm / 1000,
    kvRpmPerV,
    turnCount,
    reasons: [size.reason, ...reasons],
    likelihoodRatio: 1,
  };
  // A stator taller than about half its width, on a wide motor, looks like a can.
  const looksLikeCan = size.diameterMm >= 20 && size.heightMm / size.diameterMm >= 0.45;
  if (!looksLikeCan || size.reason.code !== 'statorDigits') return { status: 'read', text, readings: [stator] };
  const can: MotorLabelReading = {
    ...stator,
    statorDiameterM: stator.statorDiameterM * CAN_DIAMETER_RATIO,
    statorHeightM: stator.statorHeightM * CAN_HEIGHT_RATIO,
    reasons: [{ code: 'canSize', digits: size.reason.digits }, ...reasons],
    likelihoodRatio: CAN_LIKELIHOOD,
  };
  return { status: 'read', text, readings: [{ ...stator, likelihoodRatio: 1 - CAN_LIKELIHOOD }, can] };
}

interface StatorSize {
  diameterMm: number;
  heightMm: number;
  end: number;
  reason: { code: 'statorDigits'; digits: string } | { code: 'statorWritten' };
}

function findSize(text: string): StatorSize | null {
  const written =
    /(?<![\d.])(\d{1,3}(?:\.\d)?)\s*(?:mm)?\s*x\s*(\d{1,2}(?:\.\d{1,2})?)\s*(?:mm)?/.exec(text) ??
    /(?<![\d.])(\d{2})-(\d{2})(?=-\d{1,2}(?!\d))/.exec(text);
  if (written)
    return sized(Number(written[1]), Number(written[2]), written.index + written[0].length, { code: 'statorWritten' });
  const digits = /(?<![\d.])(\d{2})(\d{2}(?:\.\d{1,2})?)(?=\d{3,5}(?!\d)|\D|$)/.exec(text);
  if (digits)
    return sized(Number(digits[1]), Number(digits[2]), digits.index + digits[0].length, {
      code: 'statorDigits',
      digits: digits[0],
    });
  const large = /(?<![\d.])(\d{3})(\d{2})(?=\D|$)/.exec(text);
  return large
    ? sized(Number(large[1]), Number(large[2]), large.index + large[0].length, {
        code: 'statorDigits',
        digits: large[0],
      })
    : null;
}

function sized(diameterMm: number, heightMm: number, end: number, reason: StatorSize['reason']): StatorSize | null {
  return diameterMm >= 4 && diameterMm <= 150 && heightMm >= 1.5 && heightMm <= 60
    ? { diameterMm, heightMm, end, reason }
    : null;
}

function readWinding(rest: string): Pick<MotorLabelReading, 'kvRpmPerV' | 'turnCount' | 'reasons'> {
  const reasons: MotorLabelReason[] = [];
  let kvRpmPerV: number | null = null;
  let turnCount: number | null = null;
  for (const match of rest.matchAll(/(kv\s*)?(\d+(?:\.\d+)?)\s*(kv|rpm\/v|t\b|turns?\b)?/g)) {
    const number = readNumber(match[2]!);
    if (number.status !== 'read') continue;
    const says = (match[1] ?? match[3] ?? '').trim();
    const isTurns = says.startsWith('t') || (says === '' && number.value <= 60);
    if (isTurns && turnCount === null && number.value >= 1) {
      turnCount = number.value;
      reasons.push({ code: 'turns', digits: match[2]! });
    } else if (!isTurns && kvRpmPerV === null && number.value >= 20 && number.value <= 60_000) {
      kvRpmPerV = number.value;
      reasons.push({ code: says === '' ? 'kvByPlace' : 'kvWritten' });
    }
  }
  if (kvRpmPerV === null) reasons.push({ code: 'kvMissing' });
  return { kvRpmPerV, turnCount, reasons };
}
