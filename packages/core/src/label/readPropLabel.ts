import { writeOutFractions } from '../units/readNumber.ts';
import { readLabelMarks } from './labelMarks.ts';
import { LABEL_MAX_LENGTH, type LabelReason, type PropLabelReading, type PropLabelResult } from './propLabel.ts';
import { sizeCandidates, type SizeCandidate } from './sizeCandidates.ts';

/** A reading less likely than this share is not worth the reader's time. */
const LEAST_LIKELY = 0.02;
const MOST_READINGS = 6;

/**
 * Reads what is moulded on a propeller's hub: first number diameter, second pitch, last blade count.
 *
 * Runs of digits hide decimal points (`5136`), tiny ones are in millimetres (`40mm-4`), letters tell hand (`9x5R`),
 * tip (`4838BN`) or purpose (`14x7E`). Where more than one reading is sensible all are given, likeliest first; a
 * blade count or hand that is not on the label stays null with a reason, it is never guessed.
 *
 * @param text - the label as typed, at most 60 characters
 * @returns readings with SI sizes, or why none could be made
 * @see Label forms in docs/formats.md
 * @example readPropLabel('7.2x3.9x3') // => one reading: 0.18288 m, 0.09906 m, 3 blades
 */
export function readPropLabel(text: string): PropLabelResult {
  const typed = text.trim();
  if (typed === '') return { status: 'unreadable', text, problem: 'empty' };
  if (typed.length > LABEL_MAX_LENGTH) return { status: 'unreadable', text, problem: 'tooLong' };
  if (!/\d/.test(typed)) return { status: 'unreadable', text, problem: 'noDigits' };
  const marks = readLabelMarks(normalise(typed));
  const candidates = distinct(sizeCandidates(marks.sizes));
  const total = candidates.reduce((sum, c) => sum + c.weight, 0);
  if (!(total > 0)) return { status: 'unreadable', text, problem: 'noSensibleSize' };
  const likely = candidates
    .sort((a, b) => b.weight - a.weight)
    .filter((c) => c.weight / total >= LEAST_LIKELY)
    .slice(0, MOST_READINGS);
  const kept = likely.reduce((sum, c) => sum + c.weight, 0);
  const readings = likely.map((c): PropLabelReading => {
    const bladeCount = c.bladeCount ?? marks.bladeCount;
    const missing: LabelReason[] = [];
    if (c.pitchM === null) missing.push({ code: 'pitchMissing' });
    if (bladeCount === null) missing.push({ code: 'bladesMissing' });
    else if (c.bladeCount === null) missing.push({ code: 'bladesWritten' });
    if (marks.hand === null) missing.push({ code: 'handNotWritten' });
    return {
      diameterM: c.diameterM,
      pitchM: c.pitchM,
      bladeCount,
      hand: marks.hand,
      tipShape: marks.tipShape,
      planform: marks.planform,
      reasons: [...c.reasons, ...marks.reasons, ...missing],
      likelihoodRatio: c.weight / kept,
    };
  });
  return { status: 'read', text, readings };
}

function normalise(text: string): string {
  return (
    writeOutFractions(text)
      .toLowerCase()
      .replace(/[×✕✖*]|(?<=[\d"])\s*by\s*(?=\d)/g, 'x')
      .replace(/[–—−_]/g, '-')
      .replace(/[″”“]|''/g, '"')
      .replace(/(?<=\d),(?=\d)/g, '.')
      .replace(/[()[\]#:;]/g, ' ')
      // «D90-3»: a diameter in millimetres behind its letter.
      .replace(/(^|\s)d\s*(\d{2,3})(?![\d.])/g, '$1$2mm')
      // A unit stays a unit when letters or the next size stand right behind it: «65mmS», «45mmx2».
      .replace(/(?<=\d)\s*(mm|cm)(?=[a-z\d])/g, '$1 ')
  );
}

/** The same sizes reached in two ways count once, with both weights and the likelier way's reasons. */
function distinct(candidates: SizeCandidate[]): SizeCandidate[] {
  const found = new Map<string, SizeCandidate>();
  for (const c of candidates) {
    const key = [c.diameterM, c.pitchM ?? 0].map((v) => v.toFixed(6)).join() + `/${c.bladeCount}`;
    const known = found.get(key);
    if (!known) found.set(key, c);
    else found.set(key, { ...(known.weight >= c.weight ? known : c), weight: known.weight + c.weight });
  }
  return [...found.values()];
}
