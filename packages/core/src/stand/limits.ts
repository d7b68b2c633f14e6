import type { CampaignInput, CampaignProp, LimitBreach, LimitName } from './campaign.ts';
import { readAt, type CurvePoint } from './readAt.ts';
import type { StandStep } from './quantities.ts';
import type { SettledRun } from './settleRun.ts';

/**
 * Limits that a prop passes: ESC and motor current, the maker's speed, the frame's clearance. Each is marked at the
 * worst counted reading, with the throttle from which it is passed; nothing is hidden.
 *
 * @param runs - counted runs; without any only the clearance can be told
 */
export function breachesOf(
  craft: CampaignInput['craft'],
  prop: CampaignProp,
  runs: readonly SettledRun[],
): LimitBreach[] {
  const found: LimitBreach[] = [];
  const check = (limit: LimitName, limitValue: number | null, quantity: 'currentA' | 'speedRpm'): void => {
    if (limitValue === null) return;
    const worst = worstReading(runs, quantity);
    if (worst === null || worst.value <= limitValue) return;
    found.push({
      limit,
      value: worst.value,
      limitValue,
      fromThrottleRatio: crossingThrottle(worst.run, quantity, limitValue),
      mark: 'measured',
    });
  };
  check('escCurrent', craft.escLimitA, 'currentA');
  check('motorCurrent', craft.motorLimitA, 'currentA');
  check('makerSpeed', prop.speedLimitRpm, 'speedRpm');
  if (craft.clearanceDiameterM !== null && prop.diameterM > craft.clearanceDiameterM) {
    found.push({
      limit: 'clearance',
      value: prop.diameterM,
      limitValue: craft.clearanceDiameterM,
      fromThrottleRatio: null,
      mark: 'estimated',
    });
  }
  return found;
}

function worstReading(
  runs: readonly SettledRun[],
  quantity: 'currentA' | 'speedRpm',
): { value: number; run: SettledRun } | null {
  let worst: { value: number; run: SettledRun } | null = null;
  for (const run of runs) {
    for (const step of run.steps) {
      const value = step[quantity];
      if (value !== null && value > (worst?.value ?? -Infinity)) worst = { value, run };
    }
  }
  return worst;
}

/** Throttle at which the first step pair of a run passes the limit. */
function crossingThrottle(run: SettledRun, quantity: 'currentA' | 'speedRpm', limit: number): number {
  const steps = run.steps.filter((s): s is StandStep => s[quantity] !== null);
  const above = steps.findIndex((s) => s[quantity]! > limit);
  if (above === 0) return steps[0]!.throttleRatio!;
  const pair = steps.slice(above - 1, above + 1).map((s): CurvePoint => ({ x: s[quantity]!, y: s.throttleRatio! }));
  return readAt(pair, limit).value;
}
