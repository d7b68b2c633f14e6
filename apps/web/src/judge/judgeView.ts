import type { JudgeView, SayingsView } from '@zivvo/contract';
import {
  isLogarithmicWish,
  judge,
  type EvidenceCell,
  type EvidenceSource,
  type JudgeInput,
  type Judgement,
  type Standing,
  type WishName,
  wishNames,
} from '@zivvo/core';
import { formatDegrees, formatNumber, formatShare } from '@zivvo/words';
import type { Format } from '../shared/format/useFormat.ts';

/** One contender in the matrix. */
export interface JudgeRow {
  id: string;
  name: string;
  isReference: boolean;
  contender: JudgeInput['contenders'][number];
  /** Null for one that is barred. */
  standing: Standing | null;
}

/** The verdict of an input; null where nothing counts, or nobody is there. */
export function judgementOf(input: JudgeInput): Judgement | null {
  if (input.contenders.length === 0 || Object.values(input.weights).every((w) => w === 0)) return null;
  return judge(input);
}

/** Contenders from the best down, those that are barred last. */
export function judgeRows(input: JudgeInput, judgement: Judgement | null): JudgeRow[] {
  const order = new Map((judgement?.verdict?.standings ?? []).map((s, i) => [s.id, i]));
  return input.contenders
    .map((contender): JudgeRow => ({
      id: contender.id,
      name: contender.name,
      isReference: contender.id === input.referenceId,
      contender,
      standing: judgement?.verdict?.standings.find((s) => s.id === contender.id) ?? null,
    }))
    .sort((a, b) => (order.get(a.id) ?? Infinity) - (order.get(b.id) ?? Infinity));
}

/** Wishes that count, the weightiest first. */
export function countedWishes({ weights }: Pick<JudgeInput, 'weights'>): WishName[] {
  // In the order of the wishes where they weigh the same, however the weights were stored.
  return wishNames.filter((name) => weights[name] > 0).sort((a, b) => weights[b] - weights[a]);
}

/** A difference as a cell tells it, with its sign. */
export function differenceText(name: WishName, value: number, { choices }: Pick<Format, 'choices'>): string {
  const size = Math.abs(value);
  const text = isLogarithmicWish(name)
    ? formatShare(size)
    : name === 'quiet'
      ? `${formatNumber(size, 1)}\u202fdB`
      : name === 'cool'
        ? formatDegrees(size, choices)
        : `${formatNumber(100 * size, 0)}\u202fpts`;
  // What is written as nothing has no sign.
  if (!/[1-9]/.test(text)) return text;
  return `${value > 0 ? '+' : '−'}${text}`;
}

export function widthText(name: WishName, halfWidth: number, { choices }: Pick<Format, 'choices'>): string {
  if (isLogarithmicWish(name)) return `± ${formatShare(halfWidth)}`;
  if (name === 'quiet') return `± ${formatNumber(halfWidth, 1)}`;
  if (name === 'cool') return `± ${formatDegrees(halfWidth, choices)}`;
  return `± ${formatNumber(100 * halfWidth, 0)}`;
}

/** How likely one is the best. */
export const bestText = (share: number): string =>
  share < 0.005 ? 'best: under 1\u202f%' : `best: ${formatShare(share, 0)}`;

/** A figure by itself, as the reference shows it. */
export function valueText(name: WishName, { value, source }: EvidenceCell, format: Format): string {
  switch (name) {
    case 'minutes':
      return source === 'model'
        ? `${formatNumber(value / 60, 1)}\u202fmin`
        : format.quantity(value, 'thrustPerPower').text;
    case 'thrust':
      return source === 'model' ? `${formatNumber(value, 2)}\u202f:\u202f1` : format.quantity(value, 'force').text;
    case 'answer':
      return `${formatNumber(1000 * value, 0)}\u202fms`;
    case 'quiet':
      return `${formatNumber(value, 1)}\u202fdB`;
    case 'speed':
    case 'climb':
      return `${formatNumber(value, 1)}\u202fm/s`;
    case 'cool':
      return format.quantity(value, 'temperature', 0).text;
    case 'price':
      return formatNumber(value, 2);
    case 'life':
      return `${formatNumber(value, 0)}\u202fh`;
    case 'gentle':
    case 'tough':
    case 'usable':
      return formatShare(value);
  }
}

/** Where a figure is read in full. */
export function pathOf(source: EvidenceSource, cell: EvidenceCell, propModelId: string): string {
  switch (source) {
    case 'stand':
      return `/stand/${cell.place}`;
    case 'air':
      return '/fly';
    case 'ear':
      return `/listen?listening=${cell.place}`;
    case 'rack':
      return `/rack/${propModelId}`;
    case 'model':
      return '/pick';
  }
}

/** What somebody has changed and not kept yet. */
export type WishDraft = Pick<JudgeInput, 'weights' | 'matters'>;

export const withDraft = ({ input }: JudgeView, draft: WishDraft | null): JudgeInput => ({ ...input, ...draft });

/** How many sayings hold. */
export function sayingsHeadline(craftName: string, { items }: SayingsView): string {
  if (items.length === 0) return `Nothing to ask the sayings of, on ${craftName}`;
  const told = items.filter((i) => i.status !== 'untold');
  const holding = told.filter((i) => i.status === 'holds').length;
  return `${holding} of ${told.length} sayings hold for ${craftName}`;
}
