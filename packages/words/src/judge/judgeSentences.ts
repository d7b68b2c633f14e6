import type { EvidenceSource, JudgeReasons, PickLimit, TestWayName, WishName } from '@zivvo/core';
import { isLogarithmicWish } from '@zivvo/core';
import { formatNumber } from '../formatQuantity.ts';
import { limitWords } from '../names.ts';
import type { Pen, Sentences } from '../pen.ts';
import { lowerFirst, upperFirst } from '../upperFirst.ts';
import { sourceNames, testWayWords, wishTold, wishWords } from './judgeNames.ts';

const wish = (p: Pen<'wish'>): string => wishWords[p.text('wish') as WishName] ?? p.text('wish');

/** A difference with its half width and which way it is. */
function told(p: Pen<'wish' | 'difference' | 'halfWidth' | 'source'>): string {
  const name = p.text('wish') as WishName;
  const [difference, halfWidth] = [Number(p.text('difference')), Number(p.text('halfWidth'))];
  const points = (share: number): string => formatNumber(Math.abs(100 * share), 0);
  const amount =
    name === 'quiet'
      ? `${p.quantity('difference', 'level')} ± ${p.number('halfWidth', 1)}`
      : name === 'cool'
        ? `${p.degrees('difference')} ± ${p.degrees('halfWidth')}`
        : isLogarithmicWish(name)
          ? `${p.size('difference')} ± ${p.size('halfWidth')}`
          : `${points(difference)} ± ${points(halfWidth)} points`;
  const { more, less } = wishTold[name];
  return `${amount} ${difference < 0 ? less : more}, ${sourceNames[p.text('source') as EvidenceSource]}`;
}

/** What Judge says, in words. */
export const judgeSentences: Sentences<JudgeReasons> = {
  'judge.takes': (p) => `Take ${p.text('name')} for ${p.text('craft')}`,
  'judge.stays': (p) => `Stay with ${p.text('name')} on ${p.text('craft')}`,
  'judge.alike': (p) =>
    p.text('more') === '0'
      ? `${p.text('name')} and ${p.text('other')} cannot be told apart yet`
      : `${p.text('name')}, ${p.text('other')} and ${p.number('more')} more cannot be told apart yet`,
  'judge.alone': (p) => `Nothing stands beside ${p.text('name')} for ${p.text('craft')} yet`,
  'judge.onlyOne': (p) => `Only ${p.text('name')} may be taken for ${p.text('craft')}`,
  'judge.none': (p) => `Nothing that is known may be taken for ${p.text('craft')}`,
  'judge.sure': (p) =>
    `By these weights ${p.text('name')} is the best of ${p.number('count')} with a chance of ${p.share('share')}.`,
  'judge.scoreShare': (p) => `No other is better with a chance of ${p.share('ratio')}.`,
  'judge.gives': (p) => `${p.text('name')}: ${told(p)}.`,
  'judge.costs': (p) => `${p.text('name')} pays with ${told(p)}.`,
  'judge.predicted': (p) => `${p.text('name')} stands on predictions alone: measure it before you buy a bag.`,
  'judge.open': (p) =>
    `${p.text('name')}: nothing is known of “${lowerFirst(wish(p))}”; it counts as the mean of the others.`,
  'judge.unknown': (p) => `Nothing is known of “${lowerFirst(wish(p))}” for any prop: it does not count yet.`,
  'judge.next': (p) =>
    `${upperFirst(testWayWords[p.text('way') as TestWayName])} of ${p.text('name')} tells most for its work: ` +
    `about ${p.number('minutes')} min.`,
  'judge.dominated': (p) =>
    `${p.text('name')} is worth it to nobody: ${p.text('by')} is at least as good in all that counts.`,
  'judge.swingUp': (p) => `Counted ${p.number('factor', 1)} times as much, “${lowerFirst(wish(p))}” would turn it.`,
  'judge.swingDown': (p) =>
    `Counted ${p.share('factor')} of what it counts now, “${lowerFirst(wish(p))}” would no longer hold it.`,
  'judge.barred': (p) =>
    `${p.text('name')} may not be taken: ${limitWords[p.text('limit') as PickLimit]}, ${p.share('margin')} of ` +
    'what is allowed.',
  'judge.changed.first': (p) => `${p.text('name')} would come first now.`,
  'judge.changed.reference': (p) => `The craft flies ${p.text('name')} now.`,
  'judge.changed.left': (p) => `${p.text('name')} is no longer among them.`,
  'judge.changed.joined': (p) => `${p.text('name')} has come in.`,
  'judge.changed.evidence': (p) =>
    `${p.text('name')}: “${lowerFirst(wish(p))}” is known anew, ${sourceNames[p.text('source') as EvidenceSource]}.`,
  'judge.changed.weights': () => 'Other weights are in force.',
  'judge.stop.none': () => 'Judge: nothing decided yet',
  'judge.stop.frozen': (p) =>
    p.text('count') === '1' ? 'Judge: decided' : `Judge: decided, ${p.number('count')} verdicts kept`,
  'judge.stop.open': () => 'Judge: the last verdict kept named no winner',
};
