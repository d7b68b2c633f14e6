/** How a comma is meant: a typed cell may leave it open, a column of a file settles it. */
export type DecimalMark = 'point' | 'comma' | 'open';

export type ReadNumber =
  | { status: 'read'; value: number }
  | { status: 'ambiguous'; asDecimal: number; asThousands: number }
  | { status: 'notANumber' };

/** Fractions that are one character on a label or a keyboard. */
const GLYPHS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Writes out the fractions that are one character: `9½` becomes `9-1/2`. */
export function writeOutFractions(text: string): string {
  return text.replace(
    /(\d?)\s?([½¼¾⅛⅜⅝⅞])/g,
    (_, whole: string, glyph: string) => `${whole === '' ? '' : `${whole}-`}${GLYPHS[glyph]}`,
  );
}

const FRACTION = /^([+-]?)(?:(\d{1,4})[\s-]+)?(\d{1,3})\/(\d{1,3})$/;
const PLAIN = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d{1,3})?$/i;

/**
 * Reads a typed number: decimal point or comma, thousands marks, fractions (`5 1/2`, `5-1/2`, `5½`, `3/4`).
 *
 * `1,946` may be 1.946 or 1946. It is not guessed: the answer is then `ambiguous` unless the mark is settled.
 *
 * @param text - at most 40 characters are looked at; longer text is not a number
 * @param mark - what a single comma means
 */
export function readNumber(text: string, mark: DecimalMark = 'open'): ReadNumber {
  const trimmed = writeOutFractions(text.trim())
    .replace(/−/g, '-')
    .replace(/(?<=\d)[\s'’  ](?=\d{3}(?!\d))/g, '');
  if (trimmed === '' || trimmed.length > 40) return { status: 'notANumber' };
  const fraction = FRACTION.exec(trimmed);
  if (fraction) return readFraction(fraction);
  const commas = trimmed.split(',').length - 1;
  const points = trimmed.split('.').length - 1;
  if (commas === 0) return points > 1 && isGrouped(trimmed, '.') ? plain(trimmed.replaceAll('.', '')) : plain(trimmed);
  if (points > 0) return readBothMarks(trimmed);
  if (commas > 1) return isGrouped(trimmed, ',') ? plain(trimmed.replaceAll(',', '')) : { status: 'notANumber' };
  const asDecimal = plain(trimmed.replace(',', '.'));
  if (mark === 'comma' || asDecimal.status !== 'read') return asDecimal;
  const couldGroup = isGrouped(trimmed, ',');
  if (mark === 'point') return couldGroup ? plain(trimmed.replace(',', '')) : asDecimal;
  if (!couldGroup) return asDecimal;
  return { status: 'ambiguous', asDecimal: asDecimal.value, asThousands: Number(trimmed.replace(',', '')) };
}

function readFraction([, sign, whole, top, bottom]: RegExpExecArray): ReadNumber {
  if (Number(bottom) === 0) return { status: 'notANumber' };
  const size = Number(whole ?? 0) + Number(top) / Number(bottom);
  return { status: 'read', value: sign === '-' ? -size : size };
}

function readBothMarks(text: string): ReadNumber {
  const decimal = text.lastIndexOf(',') > text.lastIndexOf('.') ? ',' : '.';
  const group = decimal === ',' ? '.' : ',';
  const [whole = '', rest = '', ...more] = text.split(decimal);
  if (more.length > 0 || rest.includes(group) || !isGrouped(whole, group)) return { status: 'notANumber' };
  return plain(`${whole.replaceAll(group, '')}.${rest}`);
}

/** One to three digits without a leading zero, then groups of exactly three. */
function isGrouped(text: string, group: string): boolean {
  const [first = '', ...rest] = text.replace(/^[+-]/, '').split(group);
  return /^[1-9]\d{0,2}$/.test(first) && rest.every((part) => /^\d{3}$/.test(part));
}

function plain(text: string): ReadNumber {
  const value = PLAIN.test(text) ? Number(text) : NaN;
  return Number.isFinite(value) ? { status: 'read', value } : { status: 'notANumber' };
}
