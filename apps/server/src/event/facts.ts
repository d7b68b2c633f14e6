/**
 * What can happen, by the name of its kind. Each feature adds its own facts beside what it does:
 *
 *     declare module '../event/facts.ts' {
 *       interface Facts { stockCounted: { propModelId: string; cwCount: number; ccwCount: number } }
 *     }
 */
export interface Facts {}

export type FactKind = keyof Facts;

/** A fact as it is stored: what happened, with everything that follows from it. */
export type Fact<K extends FactKind = FactKind> = { [N in K]: { kind: N } & Facts[N] }[K];
