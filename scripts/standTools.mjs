// What the two scripts of the stand share: a made-up stand to play, and starting the job that was asked for.
import fs from 'node:fs';

const CORE = new URL('../packages/core/dist/index.js', import.meta.url);

/** The built core; only to be asked for once {@link runJob} has seen that it is there. */
export const core = () => import(CORE.href);

/** A made-up stand with a seven-inch propeller on a full pack of six cells; the same name is the same stand. */
export async function madeUpStand(name) {
  const { SimulatedStand, simulatedMotor, simulatedProp } = await core();
  return new SimulatedStand({
    prop: simulatedProp(0.178, 0.102, {
      bladeCount: 2,
      tip: 'standard',
      material: 'polycarbonate',
      familySeed: name,
      pieceSeed: name,
    }),
    motor: simulatedMotor(1080, 0.12, 0.7, name),
    inertiaKgM2: 2e-5,
    motorMassKg: 0.04,
    pack: { cellCount: 6, capacityAh: 4, cellResistanceOhm: 0.0034, stateOfCharge: 0.97 },
    airC: 15,
    densityKgPerM3: 1.225,
    unbalanceKgM: 1e-6,
    seed: name,
  });
}

/** Lets the stand's time of one reading pass at a throttle; the last of what it read meanwhile, or null. */
export function readFor(stand, throttle, readingsASecond, standHz) {
  let reading = null;
  for (let k = 0; k < standHz / readingsASecond; k++) reading = stand.exchange(throttle);
  return reading;
}

/** Grams that a scale would show. */
export const grams = ({ thrustN }) => (thrustN / 9.80665) * 1000;

/** The layout that `--layout` names, or the first. */
export const layoutOf = (layouts, options) =>
  layouts[options[options.indexOf('--layout') + 1]] ?? Object.values(layouts)[0];

/** Runs the job that the command line names. */
export async function runJob(jobs, usage) {
  const [name, ...options] = process.argv.slice(2);
  if (!jobs[name]) {
    console.error(usage);
    process.exitCode = 1;
  } else if (!fs.existsSync(CORE)) {
    console.error('Zivvo is not built yet: run `npm start` once.');
    process.exitCode = 1;
  } else await jobs[name](options);
}
