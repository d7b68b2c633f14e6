import type { BladePlanform, LabelReason, TipShape } from './propLabel.ts';

/** What the letters and words of a label say, and the label without them. */
export interface LabelMarks {
  /** Digits, points, separators and units only; words replaced by spaces. */
  sizes: string;
  bladeCount: number | null;
  hand: 'cw' | 'ccw' | null;
  tipShape: TipShape | null;
  planform: BladePlanform | null;
  reasons: LabelReason[];
}

const BLADE_WORDS: Record<string, number> = {
  bi: 2,
  two: 2,
  tri: 3,
  three: 3,
  quad: 4,
  four: 4,
  penta: 5,
  five: 5,
  hexa: 6,
  six: 6,
};
const BLADES = /(?<![\d.,])(\d|bi|two|tri|three|quad|four|penta|five|hexa|six)\s*-?\s*blades?(?:d)?\b/i;
const SQUARE = new Set(['bn', 'hbn', 'bullnose', 'square', 'sq']);
const POINTED = new Set(['pointed', 'needle']);
/** Letters behind the size. */
const CLOCKWISE = new Set(['r', 'p', 'rp']);
/** Words that name the hand wherever they stand: a left-hand piece pulls toward its label turning clockwise. */
const HAND_WORDS: Record<string, 'cw' | 'ccw'> = {
  cw: 'cw',
  clockwise: 'cw',
  left: 'cw',
  lefthand: 'cw',
  lh: 'cw',
  reverse: 'cw',
  rev: 'cw',
  pusher: 'cw',
  ccw: 'ccw',
  acw: 'ccw',
  counterclockwise: 'ccw',
  anticlockwise: 'ccw',
  right: 'ccw',
  righthand: 'ccw',
  rh: 'ccw',
};
/** Words that count blades without saying so. */
const BLADES_ALONE = new Set(['bi', 'tri', 'quad', 'penta', 'hexa']);
/** A pusher for electric planes: slim, and turning the other way. */
const SLIM_PUSHER = 'ep';
/** A version of the mould: it says nothing of the size. */
const VERSION = /(?<![a-z])v\d+[a-z]*(?![a-z\d])/g;
const PURPOSE = new Set(['sf', 'mr', 'f', 'fp', 'w', 'n', 'g', 's', 'c', 'ed', 'v', 'glow', 'slow', 'fold', 'folding']);
/** For electric planes: such props are slim. */
const SLIM = new Set(['e', SLIM_PUSHER, 'electric']);
const PER_MODEL = new Set(['a', 'b', 'l']);
const UNITS = new Set(['mm', 'cm', 'in', 'inch', 'inches', 'x', 'by']);

/**
 * Takes the letters out of a normalised label and says what they mean.
 *
 * R and P after the size mean clockwise seen from the label, and a word for the hand is read wherever it stands; BN is
 * a square tip. A and B mean different hands on
 * different makers' pieces, so they are reported and never read.
 *
 * @param text - lower case, separators unified
 */
export function readLabelMarks(text: string): LabelMarks {
  const marks: LabelMarks = { sizes: text, bladeCount: null, hand: null, tipShape: null, planform: null, reasons: [] };
  const blades = BLADES.exec(text);
  if (blades) {
    marks.bladeCount = BLADE_WORDS[blades[1]!.toLowerCase()] ?? Number(blades[1]);
    marks.sizes = marks.sizes.replace(blades[0], ' ');
  }
  marks.sizes = marks.sizes
    .replace(/counter[\s-]*clockwise|anti[\s-]*clockwise/g, 'ccw')
    .replace(/\b(left|right)[\s-]*hand(?:ed)?\b/g, '$1hand');
  marks.sizes = marks.sizes.replace(VERSION, (version) => {
    marks.reasons.push({ code: 'wordsLeftOut', text: version.toUpperCase() });
    return ' ';
  });
  let hasSize = false;
  marks.sizes = marks.sizes.replace(/[a-zà-ÿ]+|\d+/g, (word) => {
    if (/\d/.test(word)) {
      hasSize = true;
      return word;
    }
    return UNITS.has(word) && hasSize ? word : takeWord(word, hasSize, marks);
  });
  return marks;
}

function takeWord(word: string, afterSize: boolean, marks: LabelMarks): string {
  const text = word.toUpperCase();
  const named = HAND_WORDS[word];
  if (named) {
    marks.hand = named;
    marks.reasons.push({ code: 'handWritten', text: text.replace('HAND', '-HAND') });
  } else if (BLADES_ALONE.has(word)) {
    marks.bladeCount ??= BLADE_WORDS[word]!;
  } else if (afterSize && CLOCKWISE.has(word)) {
    marks.hand ??= 'cw';
    marks.reasons.push({ code: 'handFromLetter', text });
  } else if (SQUARE.has(word) || POINTED.has(word)) {
    marks.tipShape = SQUARE.has(word) ? 'square' : 'pointed';
    marks.reasons.push({ code: 'tipFromLetters', text });
  } else if (afterSize && PER_MODEL.has(word)) {
    marks.reasons.push({ code: 'perModelMark', text });
  } else if (afterSize && SLIM.has(word)) {
    marks.planform = 'slim';
    marks.reasons.push({ code: 'slimFromLetters', text });
    if (word === SLIM_PUSHER) {
      marks.hand ??= 'cw';
      marks.reasons.push({ code: 'handFromLetter', text: 'P' });
    }
  } else if (afterSize && PURPOSE.has(word)) {
    marks.reasons.push({ code: 'purposeLetters', text });
  } else if (word !== 'x' && word !== 'by') {
    marks.reasons.push({ code: 'wordsLeftOut', text });
  }
  return ' ';
}
