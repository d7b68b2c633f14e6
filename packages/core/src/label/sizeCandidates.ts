import { readNumber } from '../units/readNumber.ts';
import { INCH_M, type LabelReason } from './propLabel.ts';

/** One way to take the digits of a label apart, with a weight that says how usual that way is. */
export interface SizeCandidate {
  diameterM: number;
  pitchM: number | null;
  bladeCount: number | null;
  weight: number;
  reasons: LabelReason[];
}

/** A length that a group of digits may mean. */
interface LengthReading {
  valueM: number;
  weight: number;
  reasons: LabelReason[];
}

const FRACTION_OR_NUMBER = String.raw`(?:\d{1,2}[ -]\d{1,2}\/\d{1,2}|\d{1,2}\/\d{1,2}|\d+(?:\.\d+)?|\.\d+)`;
const GROUP = new RegExp(String.raw`^(${FRACTION_OR_NUMBER})\s*(mm|cm|inches|inch|in|")?$`);

/**
 * Every sensible way to read the sizes of a label: written out with separators, or as a run of digits.
 *
 * @param sizes - digits, points, fractions, units and the separators x, -, / and space
 * @returns candidates with unnormalised weights; none when no size between 20 mm and 1.1 m comes out
 */
export function sizeCandidates(sizes: string): SizeCandidate[] {
  const text = sizes
    .replace(/\s+/g, ' ')
    .replace(/^[\s\-/x]+|[\s\-/x]+$/g, '')
    .trim();
  const found = text.includes('x') ? separated(text.split('x')) : dashed(text);
  return found
    .filter((c) => isSensible(c))
    .map((c) => ({ ...c, weight: c.weight * pitchPlausibility(c) * bladePlausibility(c) }));
}

const BOTH_METRIC_WEIGHT = 3;

function separated(parts: string[]): SizeCandidate[] {
  const groups = parts.map((p) => p.trim()).filter((p) => p !== '');
  // «127x96mm»: a unit behind the last length counts for both, unless the first is too small to be millimetres.
  if (/mm$/.test(groups[1] ?? '') && /^\d{2,4}$/.test(groups[0]!) && Number(groups[0]) >= 20) groups[0] += 'mm';
  const last = /^(.*?)[\s-]+([1-9])$/.exec(groups.at(-1) ?? '');
  const hasThree = groups.length >= 3;
  if (!hasThree && last && GROUP.test(last[1]!)) {
    groups[groups.length - 1] = last[1]!;
    groups.push(last[2]!);
  }
  if (groups.length > 3) return [];
  const [diameter, pitch, blades] = groups;
  if (diameter === undefined) return [];
  if (pitch === undefined)
    return runOfDigits(diameter).length > 0 ? runOfDigits(diameter) : combine(lengths(diameter, 'diameter'), [], null);
  // «230x120»: three digits on both sides are millimetres far more often than tenths of an inch.
  const areMillimetres = /^[1-9]\d\d$/.test(diameter) && /^[1-9]\d\d$/.test(pitch);
  const metric = (bladeCount: number | null): SizeCandidate[] =>
    areMillimetres
      ? combine(lengths(`${diameter}mm`, 'diameter'), lengths(`${pitch}mm`, 'pitch'), bladeCount).map((c) => ({
          ...c,
          weight: BOTH_METRIC_WEIGHT,
        }))
      : [];
  if (blades !== undefined)
    return /^[1-9]$/.test(blades)
      ? [
          ...metric(Number(blades)),
          ...combine(lengths(diameter, 'diameter'), lengths(pitch, 'pitch', isMetric(diameter)), Number(blades)),
        ]
      : [];
  // «7239x3» and «40mm x 4»: a run or a bare millimetre size, then the blade count.
  const isBladeDigit = /^[1-9]$/.test(pitch);
  const bladeAfterRun = isBladeDigit ? runOfDigits(diameter).filter((c) => c.bladeCount === null) : [];
  const bladeAfterMetric =
    isBladeDigit && isMetric(diameter) ? combine(lengths(diameter, 'diameter'), [], Number(pitch)) : [];
  const plain = combine(lengths(diameter, 'diameter'), lengths(pitch, 'pitch', isMetric(diameter)), null);
  return [...metric(null), ...plain, ...bladeAfterMetric, ...bladeAfterRun.map((c) => withBlades(c, Number(pitch)))];
}

function dashed(text: string): SizeCandidate[] {
  if (POINTED_RUN.test(text)) return runOfDigits(text);
  const whole = GROUP.exec(text);
  if (whole && /[/.]|mm|cm|in|"/.test(text)) return combine(lengths(text, 'diameter'), [], null);
  const parts = /^(.*?)(?: ?[-/] ?| )(\d+(?:\.\d+)?)(?: ?[-/] ?| )?([1-9])?$/.exec(text);
  if (!parts || (whole && !text.includes('-') && !text.includes(' '))) return runOfDigits(text);
  const [, first = '', second = '', third] = parts;
  if (!GROUP.test(first)) return runOfDigits(text);
  const isBladeDigit = third === undefined && /^[2-9]$/.test(second);
  if (isMetric(first)) {
    const metric = isBladeDigit
      ? combine(lengths(first, 'diameter'), [], Number(second))
      : combine(lengths(first, 'diameter'), lengths(second, 'pitch', true), third ? Number(third) : null);
    return metric;
  }
  const asBlades = isBladeDigit
    ? runOfDigits(first)
        .filter((c) => c.bladeCount === null)
        .map((c) => withBlades(c, Number(second)))
    : [];
  const asPitch = combine(lengths(first, 'diameter'), lengths(second, 'pitch'), third ? Number(third) : null);
  const tiny =
    /^\d{2,3}$/.test(first) && /^\d{2,3}$/.test(second)
      ? combine(lengths(`${first}mm`, 'diameter'), lengths(second, 'pitch', true), null)
      : [];
  const small = tiny.filter((c) => c.diameterM <= 0.1).map((c) => ({ ...c, weight: c.weight * 0.4 }));
  return [...asBlades, ...asPitch, ...small];
}

/** «5146.5»: 5.1 by 4.65, its last digit behind a point. */
const POINTED_RUN = /^(\d{2})(\d{2}\.\d)$/;

/** Splits a run such as 5136, 51477, 12548 or 7239 at every place where both sides can be sizes. */
function runOfDigits(text: string): SizeCandidate[] {
  const pointed = POINTED_RUN.exec(text);
  if (pointed)
    return combine(
      runDiameter(pointed[1]!, text.length),
      [
        {
          valueM: (Number(pointed[2]) / 10) * INCH_M,
          weight: 1,
          reasons: [{ code: 'hiddenPointPitch', digits: pointed[2]! }],
        },
      ],
      null,
    );
  if (!/^\d{2,6}$/.test(text)) return [];
  const found: SizeCandidate[] = [];
  for (let split = 1; split <= Math.min(3, text.length - 1); split++) {
    const rest = text.slice(split);
    const diameters = runDiameter(text.slice(0, split), text.length);
    if (rest.length <= 3) found.push(...combine(diameters, runPitch(rest), null));
    if (rest.length >= 2 && rest.length <= 4 && /[2-8]$/.test(rest)) {
      const blades = combine(diameters, runPitch(rest.slice(0, -1)), Number(rest.at(-1)));
      found.push(
        ...blades.map((c) => ({
          ...c,
          weight: c.weight * bladeDigitWeight(rest),
          reasons: [
            ...c.reasons.filter((r) => r.code !== 'bladesWritten'),
            { code: 'bladesLastDigit', digits: rest.at(-1)! } as const,
          ],
        })),
      );
    }
  }
  return found;
}

/** A last digit is the blade count far more often when it is 3 or 2, and when a full pitch stands before it. */
function bladeDigitWeight(rest: string): number {
  const usual = rest.endsWith('3') ? 0.6 : /[24]$/.test(rest) ? 0.3 : /[56]$/.test(rest) ? 0.12 : 0.06;
  return rest.length === 3 ? usual : usual * 0.15;
}

/** A diameter of one digit is usual in front of short runs, one of three digits in front of long ones (12548). */
function runDiameter(digits: string, runLength: number): LengthReading[] {
  const literal = Number(digits);
  const found: LengthReading[] = [];
  if (digits.startsWith('0')) return found;
  if (digits.length === 1) found.push({ valueM: literal * INCH_M, weight: runLength <= 3 ? 0.35 : 0.03, reasons: [] });
  if (digits.length === 2) {
    if (literal >= 10 && literal <= 30)
      found.push({ valueM: literal * INCH_M, weight: literal < 20 ? 0.9 : 0.35, reasons: [] });
    found.push({
      valueM: (literal / 10) * INCH_M,
      weight: literal < 20 ? 0.3 : 1,
      reasons: [{ code: 'hiddenPointDiameter', digits }],
    });
  }
  if (digits.length === 3 && literal >= 100 && literal <= 300)
    found.push({
      valueM: (literal / 10) * INCH_M,
      weight: runLength >= 5 ? 0.8 : 0.12,
      reasons: [{ code: 'hiddenPointDiameter', digits }],
    });
  return found;
}

function runPitch(digits: string): LengthReading[] {
  const literal = Number(digits);
  if (digits.length === 1) return [{ valueM: literal * INCH_M, weight: 0.5, reasons: [] }];
  if (digits.length === 2) {
    const whole: LengthReading = { valueM: literal * INCH_M, weight: literal <= 24 ? 0.3 : 0.05, reasons: [] };
    const hidden: LengthReading = {
      valueM: (literal / 10) * INCH_M,
      weight: digits.startsWith('0') ? 0.1 : 1,
      reasons: [{ code: 'hiddenPointPitch', digits }],
    };
    return [hidden, whole];
  }
  const tenths: LengthReading[] =
    literal >= 100
      ? [{ valueM: (literal / 10) * INCH_M, weight: 0.6, reasons: [{ code: 'hiddenPointPitch', digits }] }]
      : [];
  return [{ valueM: (literal / 100) * INCH_M, weight: 0.6, reasons: [{ code: 'hundredthsPitch', digits }] }, ...tenths];
}

/** What one separated group may mean as a length. A group with its own point, fraction or unit is read as written. */
function lengths(group: string, role: 'diameter' | 'pitch', isMetricLabel = false): LengthReading[] {
  const parts = GROUP.exec(group.trim());
  if (!parts) return [];
  const [, written = '', unit] = parts;
  const number = readNumber(written);
  if (number.status !== 'read') return [];
  const fraction: LabelReason[] = written.includes('/') ? [{ code: 'fraction' }] : [];
  if (unit === 'mm' || unit === 'cm')
    return [
      {
        valueM: number.value * (unit === 'mm' ? 0.001 : 0.01),
        weight: 1,
        reasons: [...fraction, { code: 'millimetres' }],
      },
    ];
  const inches: LengthReading = {
    valueM: number.value * INCH_M,
    weight: 1,
    reasons: [...fraction, { code: 'writtenInFull' }],
  };
  if (isMetricLabel && role === 'pitch') {
    const metric: LengthReading = {
      valueM: number.value * 0.001,
      weight: number.value >= 12 ? 1 : 0.2,
      reasons: [{ code: 'millimetres' }],
    };
    return unit ? [inches] : [metric, { ...inches, weight: number.value < 12 ? 0.3 : 0.1 }];
  }
  if (unit || /[./]/.test(written)) return [inches];
  const hidden = (divisor: number, weight: number): LengthReading => ({
    valueM: (number.value / divisor) * INCH_M,
    weight,
    reasons: [{ code: role === 'diameter' ? 'hiddenPointDiameter' : 'hiddenPointPitch', digits: written }],
  });
  if (written.length === 1) return [inches];
  if (written.length === 2)
    return [number.value > 24 ? { ...inches, weight: 0.04 } : inches, hidden(10, number.value > 24 ? 1 : 0.12)];
  if (written.length > 3) return [];
  return role === 'diameter' ? [hidden(10, 1), ...metricDiameter(number.value)] : [hidden(100, 0.8), hidden(10, 0.8)];
}

function metricDiameter(value: number): LengthReading[] {
  return value >= 100 ? [{ valueM: value * 0.001, weight: 0.3, reasons: [{ code: 'millimetres' }] }] : [];
}

function combine(diameters: LengthReading[], pitches: LengthReading[], bladeCount: number | null): SizeCandidate[] {
  const blades: LabelReason[] = bladeCount === null ? [] : [{ code: 'bladesWritten' }];
  if (pitches.length === 0)
    return diameters.map((d) => ({
      diameterM: d.valueM,
      pitchM: null,
      bladeCount,
      weight: d.weight * 0.5,
      reasons: [...d.reasons, ...blades],
    }));
  return diameters.flatMap((d) =>
    pitches.map((p) => ({
      diameterM: d.valueM,
      pitchM: p.valueM,
      bladeCount,
      weight: d.weight * p.weight,
      reasons: [...mergeReasons(d.reasons, p.reasons), ...blades],
    })),
  );
}

function mergeReasons(first: LabelReason[], second: LabelReason[]): LabelReason[] {
  const inFull = (r: LabelReason): boolean => r.code === 'writtenInFull';
  if (first.every(inFull) && second.every(inFull) && first.length > 0 && second.length > 0)
    return [{ code: 'writtenInFull' }];
  const merged = [...first, ...second].filter((r) => !inFull(r));
  return merged.filter((r, i) => merged.findIndex((other) => JSON.stringify(other) === JSON.stringify(r)) === i);
}

function withBlades(candidate: SizeCandidate, bladeCount: number): SizeCandidate {
  return { ...candidate, bladeCount, reasons: [...candidate.reasons, { code: 'bladesWritten' }] };
}

function isMetric(group: string): boolean {
  return /mm|cm/.test(group);
}

function isSensible(c: SizeCandidate): boolean {
  if (!(c.diameterM >= 0.02 && c.diameterM <= 1.1)) return false;
  return c.pitchM === null || pitchPlausibility(c) > 0;
}

/** Props of many blades are small: four and more on ten inches and beyond are rare. */
function bladePlausibility({ diameterM, bladeCount }: SizeCandidate): number {
  return (bladeCount ?? 0) >= 4 && diameterM >= 0.25 ? 0.2 : 1;
}

/** Up to here props are moulded with pitches far above their diameter. */
const TINY_M = 0.052;

/**
 * Pitch over diameter is nearly always between 0.3 and 1; outside 0.08 to 2 no propeller is sold, to 2.5 for tiny ones.
 */
function pitchPlausibility({ diameterM, pitchM }: SizeCandidate): number {
  if (pitchM === null) return 1;
  const ratio = pitchM / diameterM;
  if (diameterM <= TINY_M && ratio > 1.3 && ratio <= 2.5) return 0.45;
  if (ratio < 0.08 || ratio > 2) return 0;
  if (ratio >= 0.3 && ratio <= 1.0) return 1;
  if (ratio >= 0.2 && ratio <= 1.3) return 0.45;
  return 0.08;
}
