import type { Drive } from '../powertrain/equilibrium.ts';
import { motorCurrentA } from '../powertrain/torqueFromPower.ts';
import type { RunPoint } from './pointOfRun.ts';
import type { RunProtocol } from './protocol.ts';
import { inertiaFromCoast } from './runFindings.ts';
import type { SettledRun } from './settleRun.ts';

/** A step this near in speed to where a run-down began says what torque held it there. */
const NEAR_RATIO = 0.06;

/**
 * What one run tells beside its curve: time to thrust, run-down, thrust kept in a hold.
 *
 * @param drive - of the craft; null where nobody knows the motor, and with it the torque
 * @returns null where it tells nothing of the kind
 */
export function responseOfRun(
  { run, taken }: SettledRun,
  protocol: RunProtocol | null,
  drive: Drive | null,
  gearRatio: number,
): RunPoint | null {
  const { rise, coast } = run.findings ?? { rise: null, coast: null };
  const [first, last] = [taken[0], taken.at(-1)];
  const values: RunPoint['values'] = {};
  if (rise) values.riseS = rise.riseS;
  if (coast) {
    values.halfSpeedS = coast.halfS;
    values.dryShareRatio = coast.dryShare;
    const held = taken.find(
      (s) => s.speedRpm !== null && s.powerW !== null && Math.abs(s.speedRpm / coast.speedRpm - 1) < NEAR_RATIO,
    );
    if (held && drive !== null) {
      const speed = (2 * Math.PI * held.speedRpm! * gearRatio) / 60;
      const magnetNm = gearRatio * drive.motor.torqueConstantNmPerA * motorCurrentA(drive, speed, held.powerW!);
      values.inertiaKgM2 = inertiaFromCoast(coast, magnetNm);
    }
  }
  if (protocol?.kind === 'hold' && first && last && first !== last && first.thrustN! > 0)
    values.keptThrustRatio = last.thrustN! / first.thrustN!;
  return Object.keys(values).length === 0 ? null : { readings: {}, values, isExtended: false, reduction: null };
}
