import type { Reason } from '../figure/reason.ts';
import { INCH_M } from '../label/propLabel.ts';
import { LEAST_DIAMETER_M } from './pickSpace.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { evaluateCandidate, type MarkedProp, type WorkedProp } from './evaluateCandidate.ts';
import { preparedWith, type PreparedCraft, type PickCraft } from './pickCraft.ts';

/** What can be changed about a craft with too much or too little prop, in the order of what it costs. */
export const remedyNames = ['pitch', 'diameter', 'blades', 'cells', 'motor', 'kv'] as const;
export type RemedyName = (typeof remedyNames)[number];

/** How a prop suits its motor and pack. */
export type PropLoad = 'tooMuch' | 'tooLittle' | 'suits';

export interface Remedy {
  name: RemedyName;
  /** What it would be changed to: a length [m], a count, a ratio of the present. */
  from: number;
  to: number;
  /** False where even the largest change that makes sense is not enough. */
  isCure: boolean;
  after: MarkedProp;
}

/** Less than this over the weight and nothing is left for wind or an upset. */
const LEAST_THRUST_TO_WEIGHT = { multirotor: 1.7, plane: 0.3 } as const;
const LOAD_LIMITS = ['escCurrent', 'motorCurrent', 'motorHeat', 'packSag'] as const;
const STEP_M = 0.25 * INCH_M;
/** Steps within reason: nobody flies half the cells. */
const STEPS_MAX: Record<RemedyName, number> = { pitch: 8, diameter: 6, blades: 2, cells: 2, motor: 4, kv: 5 };
const MOTOR_STEP_RATIO = 0.12;
const KV_STEP_RATIO = 0.06;

/** Whether a prop asks too much of motor, controller and pack, gives too little, or suits. */
export function propLoad({ craft }: PreparedCraft, { figures, margins }: WorkedProp): PropLoad {
  if (LOAD_LIMITS.some((limit) => margins[limit] > 1)) return 'tooMuch';
  if (margins.carry > 1 || !(figures.thrustToWeightRatio >= LEAST_THRUST_TO_WEIGHT[craft.kind])) return 'tooLittle';
  return 'suits';
}

/**
 * What cures too much or too little prop, cheapest first: pitch, diameter, blades, cells, a larger motor, another kV.
 * Each is changed in small steps until it suits; one that never does within reason says so.
 *
 * @returns nothing where the prop suits
 */
export function remediesFor(prepared: PreparedCraft, geometry: PropGeometry): Remedy[] {
  const load = propLoad(prepared, evaluateCandidate(prepared, geometry));
  if (load === 'suits') return [];
  const sign = load === 'tooMuch' ? -1 : 1;
  return remedyNames.map((name) => remedy(prepared, geometry, name, sign, load)).filter((r) => r !== null);
}

function remedy(
  prepared: PreparedCraft,
  geometry: PropGeometry,
  name: RemedyName,
  sign: 1 | -1,
  load: PropLoad,
): Remedy | null {
  let last: Remedy | null = null;
  for (let step = 1; step <= STEPS_MAX[name]; step++) {
    const changed = changedBy(prepared.craft, geometry, name, sign * step);
    if (!changed) break;
    const changedCraft = changed.craft === prepared.craft ? prepared : preparedWith(prepared, changed.craft);
    const after = evaluateCandidate(changedCraft, changed.geometry);
    const state = propLoad(changedCraft, after);
    const room =
      after.margins.clearance <= 1 &&
      after.margins.neighbours <= 1 &&
      after.margins.ground <= 1 &&
      after.margins.boom <= 1;
    last = { name, from: changed.from, to: changed.to, isCure: state === 'suits' && room, after };
    if (last.isCure || (state !== load && state !== 'suits')) break;
  }
  return last;
}

interface Changed {
  craft: PickCraft;
  geometry: PropGeometry;
  from: number;
  to: number;
}

function changedBy(craft: PickCraft, geometry: PropGeometry, name: RemedyName, steps: number): Changed | null {
  const { diameterM, pitchM, bladeCount } = geometry;
  const { seriesCount } = craft.pack;
  switch (name) {
    case 'pitch': {
      const to = pitchM + steps * STEP_M;
      return to / diameterM >= 0.2 && to / diameterM <= 1.1
        ? { craft, geometry: { ...geometry, pitchM: to, angle75Rad: null }, from: pitchM, to }
        : null;
    }
    case 'diameter': {
      const to = diameterM + steps * STEP_M;
      return to >= LEAST_DIAMETER_M && pitchM / to <= 1.1 && pitchM / to >= 0.1
        ? {
            craft,
            geometry: { ...geometry, diameterM: to, massKg: null, droopM: null, chord75M: null },
            from: diameterM,
            to,
          }
        : null;
    }
    case 'blades': {
      const to = bladeCount + steps;
      return to >= 2 && to <= 6
        ? {
            craft,
            geometry: { ...geometry, bladeCount: to, massKg: null, droopM: null, chord75M: null },
            from: bladeCount,
            to,
          }
        : null;
    }
    case 'cells': {
      const to = seriesCount + steps;
      return to >= 1 && to <= 14
        ? { craft: { ...craft, pack: { ...craft.pack, seriesCount: to } }, geometry, from: seriesCount, to }
        : null;
    }
    case 'motor': {
      if (steps < 0)
        return {
          craft: {
            ...craft,
            motor: {
              ...craft.motor,
              statorHeightM: craft.motor.statorHeightM * (1 - steps * MOTOR_STEP_RATIO),
              resistanceOhm: null,
              noLoadCurrentA: null,
              massKg: null,
            },
          },
          geometry,
          from: craft.motor.statorHeightM,
          to: craft.motor.statorHeightM * (1 - steps * MOTOR_STEP_RATIO),
        };
      return null;
    }
    case 'kv': {
      const { kvRpmPerV } = craft.motor;
      const to = kvRpmPerV * (1 + steps * KV_STEP_RATIO);
      return to > 0.4 * kvRpmPerV
        ? {
            craft: { ...craft, motor: { ...craft.motor, kvRpmPerV: to, resistanceOhm: null, noLoadCurrentA: null } },
            geometry,
            from: kvRpmPerV,
            to,
          }
        : null;
    }
  }
}

/** Remedies as sentences; the cheapest that cures is the thing to do. */
export function remedyReasons(name: string, remedies: readonly Remedy[]): Reason[] {
  const first = remedies.find((r) => r.isCure);
  return remedies.map((remedy) => ({
    code: `pick.remedy.${remedy.name}${remedy.isCure ? '' : '.notEnough'}`,
    severity: remedy === first ? 'action' : 'note',
    values: {
      name,
      from: remedy.from,
      to: remedy.to,
      changeRatio: remedy.to / remedy.from - 1,
      currentA: remedy.after.figures.fullCurrentA,
      thrustToWeightRatio: remedy.after.figures.thrustToWeightRatio,
    },
    figure: null,
  }));
}
