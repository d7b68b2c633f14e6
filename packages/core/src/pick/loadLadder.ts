import type { PropGeometry } from '../propeller/propGeometry.ts';
import { propellerAt, type PropellerModel } from '../propeller/propellerModel.ts';
import { evaluateCandidate, heatByStyle, HOTTEST_WINDING_C, type PropFacts } from './evaluateCandidate.ts';
import { flyingStyleNames, type FlyingStyle } from './flyingStyle.ts';
import type { PreparedCraft } from './pickCraft.ts';

export interface LadderProp {
  id: string;
  geometry: PropGeometry;
  facts?: PropFacts;
}

/** One rung: a prop, and what it does to the motor. */
export interface LadderRung {
  id: string;
  /** Torque that it asks at the ladder's speed, over that of the hardest [0 to 1]. */
  loadRatio: number;
  torqueNm: number;
  fullCurrentA: number;
  /** Winding at the end of a pack flown in each style [°C]; NaN where it cannot be turned. */
  heatC: Record<FlyingStyle, number>;
  /** The hardest style it may be flown in; null for none. */
  hardest: FlyingStyle | null;
}

export interface LoadLadder {
  /** Speed at which the torques are compared [rev/min]. */
  speedRpm: number;
  /** From the easiest to the hardest to turn. */
  rungs: LadderRung[];
  /** The heaviest prop for each style; null where none is cool enough. */
  heaviest: Record<FlyingStyle, string | null>;
}

const STYLES = flyingStyleNames;

/**
 * Props in the order of how hard they are for a motor to turn, with the heaviest for gentle, normal and hard flying:
 * the one whose winding stays under 110 °C and whose current stays within controller and motor.
 *
 * All torques are taken at one speed, that of the middle prop at full throttle, since at equal speed the power
 * coefficient times D⁵ alone decides.
 *
 * @param props - at most 500
 */
export function loadLadder(prepared: PreparedCraft, props: readonly LadderProp[]): LoadLadder {
  const found = props.map(({ id, geometry, facts }) => ({
    id,
    candidate: evaluateCandidate(prepared, geometry, facts),
  }));
  const speeds = found
    .map((f) => f.candidate.fullSpeedRpm)
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  const speedRpm = speeds[Math.floor(speeds.length / 2)] ?? 10_000;
  const rungs = found.map(({ id, candidate }): LadderRung => {
    const heatC = heatByStyle(prepared, candidate.prop);
    const { escCurrent, motorCurrent, packSag } = candidate.margins;
    const isFed = escCurrent <= 1 && motorCurrent <= 1 && packSag <= 1;
    const fit = STYLES.filter((style) => isFed && heatC[style] <= HOTTEST_WINDING_C);
    return {
      id,
      torqueNm: torqueAt(prepared, candidate.prop, speedRpm),
      loadRatio: 0,
      fullCurrentA: candidate.figures.fullCurrentA,
      heatC,
      hardest: fit.at(-1) ?? null,
    };
  });
  rungs.sort((a, b) => a.torqueNm - b.torqueNm);
  const most = rungs.at(-1)?.torqueNm ?? 1;
  for (const rung of rungs) rung.loadRatio = rung.torqueNm / most;
  const heaviest = Object.fromEntries(
    STYLES.map((style) => [
      style,
      rungs.filter((r) => r.hardest !== null && STYLES.indexOf(r.hardest) >= STYLES.indexOf(style)).at(-1)?.id ?? null,
    ]),
  ) as Record<FlyingStyle, string | null>;
  return { speedRpm, rungs, heaviest };
}

function torqueAt({ tables }: PreparedCraft, prop: PropellerModel, speedRpm: number): number {
  const { diameterM } = prop.geometry;
  const highestRpm = (60 * 0.9 * tables.air.soundSpeedMPerS) / (Math.PI * diameterM);
  const at = Math.min(speedRpm, highestRpm);
  return propellerAt(prop, at).torqueNm * (speedRpm / at) ** 2;
}
