import { mean } from '../statistics/describe.ts';
import { Z_95 } from '../statistics/normal.ts';
import type { Evidence } from './verdict.ts';
import { gainOf, gainWidthOf, wishMeasures, wishNames, type WishName } from './wishes.ts';

/** Where a figure comes from; each counts, and none is mixed up with another. */
export const evidenceSources = ['stand', 'air', 'ear', 'model', 'rack'] as const;
export type EvidenceSource = (typeof evidenceSources)[number];

/** One thing that is known of one prop. */
export interface KnownFigure {
  source: EvidenceSource;
  /** In SI; of a level in decibels. */
  value: number;
  /** Half width of its 95 % interval, in the same unit. */
  halfWidth: number;
  /** Which evening, listening or protocol it was read in: figures of two of them differ by more than their repeats. */
  place: string | null;
  /**
   * Against the reference where both were read side by side, a ratio or an amount, with the half width of its 95 %
   * interval; null where they were not.
   */
  against: { difference: number; halfWidth: number } | null;
  /** Readings, flights or takes behind it. */
  count: number;
  /** Read off a line beyond what was measured. */
  isExtended: boolean;
  isSimulated: boolean;
}

/** What is known of one prop, wish by wish: the best source first. */
export interface JudgedProp {
  id: string;
  known: Readonly<Partial<Record<WishName, readonly KnownFigure[]>>>;
}

/** One cell of the matrix: the figure that counts, and what it says against the reference. */
export interface EvidenceCell extends KnownFigure, Evidence {
  /** A ratio or an amount, with its half width; null where it is held against the mean of the others. */
  difference: { value: number; halfWidth: number } | null;
}

export type EvidenceRow = Readonly<Partial<Record<WishName, EvidenceCell>>>;

/** Evenings, listenings and days lie apart by this much more than their repeats say; a judgement. */
const APART_RATIO = 0.02;
/** What the model does wrong with one prop it does much alike with another of the same craft: so much of it stays. */
const MODEL_OWN_SHARE = 0.5;

/**
 * Holds what is known of props against the reference, wish by wish. What was read side by side counts before what was
 * read apart, and that before what is predicted of both; a prediction is never held against a reading where both can be
 * predicted, because what the model does wrong then stays in the difference.
 *
 * Where nothing is known of the reference, the mean of the others stands in.
 *
 * @returns by the id of each prop
 */
export function weighEvidence(props: readonly JudgedProp[], referenceId: string): Map<string, EvidenceRow> {
  const reference = props.find((p) => p.id === referenceId);
  const rows = new Map<string, Partial<Record<WishName, EvidenceCell>>>(props.map((p) => [p.id, {}]));
  for (const name of wishNames) {
    const base = reference?.known[name] ?? [];
    const baseline = base.length > 0 ? base : meanOf(props, name);
    for (const prop of props) {
      const cell =
        prop.id === referenceId ? ownCell(base[0]) : cellOf(name, prop.known[name] ?? [], baseline, base.length > 0);
      if (cell) rows.get(prop.id)![name] = cell;
    }
  }
  return rows;
}

const ownCell = (figure: KnownFigure | undefined): EvidenceCell | null =>
  figure ? { ...figure, gain: 0, deviation: 0, difference: null } : null;

function cellOf(
  name: WishName,
  known: readonly KnownFigure[],
  base: readonly KnownFigure[],
  isReference: boolean,
): EvidenceCell | null {
  const beside = known.find((k) => k.against !== null);
  if (beside) return celled(name, beside, beside.against!, true);
  for (const figure of known) {
    const other = base.find((b) => (b.source === 'model') === (figure.source === 'model'));
    if (other) return celled(name, figure, apart(name, figure, other), isReference);
  }
  const [figure] = known;
  const [other] = base;
  return figure && other ? celled(name, figure, apart(name, figure, other), isReference) : null;
}

function celled(
  name: WishName,
  figure: KnownFigure,
  { difference, halfWidth }: { difference: number; halfWidth: number },
  isReference: boolean,
): EvidenceCell {
  return {
    ...figure,
    gain: gainOf(name, difference),
    deviation: gainWidthOf(name, difference, halfWidth) / Z_95,
    difference: isReference ? { value: difference, halfWidth } : null,
  };
}

/** What two figures that were read apart say of each other. */
function apart(name: WishName, own: KnownFigure, other: KnownFigure): { difference: number; halfWidth: number } {
  const stays = own.source === 'model' && other.source === 'model' ? MODEL_OWN_SHARE : 1;
  if (!wishMeasures[name].isLogarithmic)
    return { difference: own.value - other.value, halfWidth: stays * Math.hypot(own.halfWidth, other.halfWidth) };
  const ratio = own.value / other.value;
  const isApart = own.source !== 'model' && own.place !== other.place;
  const share = Math.hypot(own.halfWidth / own.value, other.halfWidth / other.value, isApart ? APART_RATIO : 0);
  return { difference: ratio - 1, halfWidth: ratio * stays * share };
}

/** What stands in for a reference of which nothing is known: the mean of the others, certain by definition. */
function meanOf(props: readonly JudgedProp[], name: WishName): KnownFigure[] {
  const sources = new Map<boolean, KnownFigure[]>();
  for (const [first] of props.map((p) => p.known[name] ?? []))
    if (first) sources.set(first.source === 'model', [...(sources.get(first.source === 'model') ?? []), first]);
  return [...sources.values()].map((figures) => ({
    ...figures[0]!,
    value: mean(figures.map((f) => f.value)),
    halfWidth: 0,
    place: null,
    against: null,
  }));
}
