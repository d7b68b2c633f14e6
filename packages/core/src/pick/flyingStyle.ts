import type { UseName } from './uses.ts';

/** How hard a craft is flown. */
export interface StyleLaw {
  /** Share of the time at full throttle, in stretches; the rest it carries itself. */
  fullRatio: number;
  /** Forward speed meanwhile, over the pitch speed at full throttle: the wind of flying cools. */
  forwardRatio: number;
}

export const flyingStyles = {
  gentle: { fullRatio: 0.04, forwardRatio: 0.05 },
  normal: { fullRatio: 0.12, forwardRatio: 0.15 },
  hard: { fullRatio: 0.35, forwardRatio: 0.3 },
} as const satisfies Record<string, StyleLaw>;
export type FlyingStyle = keyof typeof flyingStyles;
export const flyingStyleNames = Object.keys(flyingStyles) as FlyingStyle[];

/** The style that a use is flown in; a judgement of practice. */
export const styleOfUse: Readonly<Record<UseName, FlyingStyle>> = {
  indoorCourse: 'normal',
  openCourse: 'hard',
  freestyle: 'normal',
  smoothFilming: 'gentle',
  longEndurance: 'gentle',
  heavyLift: 'normal',
  quietNeighbourhood: 'gentle',
  windySite: 'normal',
  parkPlaneShort: 'normal',
  parkPlaneSpeed: 'hard',
};

const DAMAGE_EXPONENT = 12;

/**
 * One speed that wears a blade as a style of flying does [rev/min]: damage goes with (n·D)² to the power of six.
 *
 *   n = (f·n_full¹² + (1 − f)·n_carry¹²)^(1/12)
 *
 * Carrying alone understates it a thousandfold.
 */
export function wearingSpeedRpm(carryRpm: number, fullRpm: number, style: FlyingStyle): number {
  const { fullRatio } = flyingStyles[style];
  const most = Math.max(carryRpm, fullRpm);
  return (
    most *
    (fullRatio * (fullRpm / most) ** DAMAGE_EXPONENT + (1 - fullRatio) * (carryRpm / most) ** DAMAGE_EXPONENT) **
      (1 / DAMAGE_EXPONENT)
  );
}
