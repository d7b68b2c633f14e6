import type { TodayView } from '@zivvo/contract';
import { readyVerdicts, type ReadyVerdict } from '@zivvo/core';

/** The answer of the morning in a few words, as one reads them on a wall. */
export const verdictWords: Record<ReadyVerdict, string> = {
  grounded: 'grounded',
  wrong: 'will not fly as it is',
  mend: 'to be mended',
  incomplete: 'props missing',
  unseen: 'spins not seen',
  untrued: 'to be balanced',
  unsigned: 'not signed for',
  look: 'to be looked over',
  fit: 'may fly',
};

/** What is done on the field before each flight keeps nobody at the bench. */
const FIELD: readonly ReadyVerdict[] = ['unseen', 'unsigned', 'look'];

export type Standing = 'fit' | 'field' | 'bench';

/** Whether a craft may fly, may after what is done on the field, or needs the bench first. */
export function standingOf(verdict: ReadyVerdict): Standing {
  if (verdict === 'fit') return 'fit';
  return FIELD.includes(verdict) ? 'field' : 'bench';
}

/** What the page opens with. */
export function todayHeadline({ crafts, dueTotal }: Pick<TodayView, 'crafts' | 'dueTotal'>): string {
  const count = (standing: Standing): number => crafts.filter((c) => standingOf(c.verdict) === standing).length;
  const [fit, field] = [count('fit'), count('field')];
  const fly =
    fit > 0
      ? `${named(crafts, 'fit')} may fly`
      : field > 0
        ? `${named(crafts, 'field')} may fly after the checks on the field`
        : 'Nothing may fly yet';
  if (dueTotal === 0) return `${fly}; nothing else waits`;
  return `${fly}; ${dueTotal === 1 ? '1 thing waits' : `${dueTotal} things wait`}`;
}

function named(crafts: TodayView['crafts'], standing: Standing): string {
  const names = crafts.filter((c) => standingOf(c.verdict) === standing).map((c) => c.name);
  if (names.length <= 2) return names.join(' and ');
  return `${names.length} craft`;
}

/** The craft that need the most first. */
export function byNeed(crafts: TodayView['crafts']): TodayView['crafts'] {
  const order = (verdict: ReadyVerdict): number => readyVerdicts.indexOf(verdict);
  return [...crafts].sort((a, b) => order(a.verdict) - order(b.verdict) || a.name.localeCompare(b.name));
}
