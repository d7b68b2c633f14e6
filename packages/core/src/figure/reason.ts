/** Danger before action before gain: the order in which reasons are shown. */
export const severities = ['danger', 'caution', 'action', 'gain', 'note'] as const;
export type Severity = (typeof severities)[number];

/**
 * Every code that a reason can have, with the names of its values. Each feature adds its own:
 *
 *     declare module '../figure/reason.ts' {
 *       interface Reasons extends CareReasons {}
 *     }
 */
export interface Reasons {}

export type ReasonCode = keyof Reasons;

/** Values that the sentence of a code may use: another name does not compile. */
export type ReasonValues<C extends ReasonCode> = Readonly<
  Partial<Record<Extract<Reasons[C], string>, number | string>>
>;

/** A sentence that is not yet words: what is so, with this craft's values in SI. */
export interface Reason {
  code: ReasonCode;
  severity: Severity;
  values: Readonly<Record<string, number | string>>;
  /** Working key of the figure it speaks of; null for a caution that has none. */
  figure: string | null;
}

/** Reasons in the order of their weight; equal weights keep the order in which they were found. */
export function bySeverity(reasons: readonly Reason[]): Reason[] {
  return [...reasons].sort((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity));
}
