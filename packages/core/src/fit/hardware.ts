/** How a propeller is held on its shaft. */
export const mountKinds = [
  'nut',
  'twoScrews',
  'axialScrew',
  'sideScrew',
  'pushOn',
  'collet',
  'rubberRing',
  'quickLock',
] as const;
export type MountKind = (typeof mountKinds)[number];

/** What is looked at on an arm before its prop is called tight. */
export const armChecks = [
  'turnsFree',
  'seated',
  'locked',
  'noDamage',
  'driverFits',
  'oldLockOut',
  'newScrews',
  'bellClean',
  'flatOnFlat',
  'flicks',
  'pulled',
  'coneClean',
  'ringsWhole',
  'keyTurned',
] as const;
export type ArmCheck = (typeof armChecks)[number];

/**
 * Checks of each mount, in the order in which hands do them. The last, a look at the piece, holds for untouched arms
 * too.
 */
export const mountChecks: Readonly<Record<MountKind, readonly ArmCheck[]>> = {
  nut: ['seated', 'locked', 'turnsFree', 'noDamage'],
  twoScrews: ['driverFits', 'oldLockOut', 'bellClean', 'newScrews', 'turnsFree', 'noDamage'],
  axialScrew: ['flatOnFlat', 'driverFits', 'locked', 'turnsFree', 'noDamage'],
  sideScrew: ['flatOnFlat', 'locked', 'pulled', 'turnsFree', 'noDamage'],
  pushOn: ['seated', 'flicks', 'pulled', 'noDamage'],
  collet: ['coneClean', 'locked', 'pulled', 'turnsFree', 'noDamage'],
  rubberRing: ['ringsWhole', 'seated', 'turnsFree', 'noDamage'],
  quickLock: ['keyTurned', 'pulled', 'turnsFree', 'noDamage'],
};

/** Whether somebody looked at the piece of an arm since a piece of the craft last changed. */
export function isLookedAt(checks: readonly { what: ArmCheck }[]): boolean {
  return checks.some((c) => c.what === 'noDamage');
}

/**
 * Checks that stay when a piece of the craft has changed: an arm that was touched starts anew, any other is looked at
 * again.
 */
export function checksAfterChange<T extends { what: ArmCheck }>(checks: readonly T[], isTouched: boolean): T[] {
  return isTouched ? [] : checks.filter((c) => c.what !== 'noDamage');
}
