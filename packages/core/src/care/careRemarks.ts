import { bySeverity, type Reason } from '../figure/reason.ts';
import { LEAST_LOOK_S } from './findings.ts';
import type { PieceLifeLeft } from './life.ts';

/** What Care knows of a craft beside whether it may fly. */
export interface CareRemarkFacts {
  pieces: readonly { tag: string; life: PieceLifeLeft }[];
  /** Seconds a prop of the last look; null where nobody looked. */
  lookSecondsPerProp: number | null;
  /** Full changes of all props that the rack still gives, and the hand that ends first; null without a model. */
  changesLeft: { count: number; firstOut: 'cw' | 'ccw' | null } | null;
  /** Advice of the day's air, as it was found. */
  temperature: readonly Reason[];
}

/** What grounds nothing but is good to know: a hurried look, pieces near their end, changes left, the day's air. */
export function careRemarks({ pieces, lookSecondsPerProp, changesLeft, temperature }: CareRemarkFacts): Reason[] {
  const reasons: Reason[] = [];
  if (lookSecondsPerProp !== null && lookSecondsPerProp < LEAST_LOOK_S)
    reasons.push({
      code: 'care.hurried',
      severity: 'caution',
      values: { seconds: lookSecondsPerProp, least: LEAST_LOOK_S },
      figure: null,
    });
  for (const code of ['care.soon', 'care.soonDays'] as const) {
    const soon = pieces.filter(
      ({ life }) => life.state === 'replaceSoon' && (life.dueInDays === null) === (code === 'care.soon'),
    );
    if (soon.length === 0) continue;
    const worst = soon.reduce((a, b) => (b.life.usedRatio > a.life.usedRatio ? b : a)).life;
    reasons.push({
      code,
      severity: 'caution',
      values: {
        tags: soon.map((p) => p.tag).join(', '),
        count: soon.length,
        usedRatio: worst.usedRatio,
        days: worst.dueInDays ?? -1,
      },
      figure: null,
    });
  }
  if (changesLeft && changesLeft.firstOut !== null) {
    const { count, firstOut } = changesLeft;
    reasons.push({
      code: count === 0 ? 'care.noChange' : 'care.changesLeft',
      severity: count === 0 ? 'action' : 'note',
      values: { count, hand: firstOut.toUpperCase() },
      figure: null,
    });
  }
  return bySeverity([...reasons, ...temperature]);
}
