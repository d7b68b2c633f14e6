import type { Reason, ReasonCode } from '../figure/reason.ts';
import { calibrationFactor } from '../propeller/calibration.ts';
import { FLEX_RATIO, type WorkedProp } from './evaluateCandidate.ts';
import type { PickSetting } from './pickCraft.ts';
import { PICK_COLUMNS, pickFigureNames, pickLimitNames } from './pickFigures.ts';
import { isAllowed } from './scores.ts';
import { workedAt, type PickMap } from './pickSpace.ts';
import { limitReason, type PickPlace } from './tradeReasons.ts';

interface RoomLimit {
  code: ReasonCode;
  limitM: number | null;
  largestM: number | null;
}

/**
 * What the room on a craft allows, as a sentence: the largest disc and what stands in its way.
 *
 * @returns null where nothing stands in its way
 */
export function roomReason({ craft }: Pick<PickSetting, 'craft'>): Reason | null {
  const all: RoomLimit[] = [
    { code: 'pick.room.clearance', limitM: craft.clearanceDiameterM, largestM: craft.clearanceDiameterM },
    {
      code: 'pick.room.neighbours',
      limitM: craft.neighbourDistanceM,
      largestM: craft.neighbourDistanceM === null ? null : (1 - FLEX_RATIO) * craft.neighbourDistanceM,
    },
    {
      code: 'pick.room.ground',
      limitM: craft.groundClearanceM,
      largestM: craft.groundClearanceM === null ? null : 2 * (craft.groundClearanceM - 0.01),
    },
    {
      code: 'pick.room.boom',
      limitM: craft.boomClearanceM,
      largestM: craft.boomClearanceM === null ? null : 2 * (craft.boomClearanceM - 0.005),
    },
  ];
  const rooms = all.filter((r): r is RoomLimit & { limitM: number; largestM: number } => r.largestM !== null);
  if (rooms.length === 0) return null;
  const tightest = rooms.reduce((a, b) => (b.largestM < a.largestM ? b : a));
  return {
    code: tightest.code,
    severity: 'note',
    values: { limitM: tightest.limitM, largestM: tightest.largestM },
    figure: null,
  };
}

/**
 * Why no candidate of a map fits: the limit that the nearest one breaks, with its numbers. A map never goes blank
 * without it.
 *
 * @returns null where something fits, or nothing is known yet
 */
export function emptyMapReason(setting: PickPlace, map: PickMap): { reason: Reason; candidate: WorkedProp } | null {
  let nearest = -1;
  let least = Infinity;
  for (let index = 0; index < map.values.length / PICK_COLUMNS; index++) {
    const at = index * PICK_COLUMNS + pickFigureNames.length;
    if (Number.isNaN(map.values[at]!)) continue;
    if (isAllowed(map.values, index)) return null;
    const worst = Math.max(...pickLimitNames.map((_, k) => map.values[at + k]!));
    if (worst < least) [nearest, least] = [index, worst];
  }
  if (nearest < 0) return null;
  const candidate = workedAt(map, nearest);
  const limit = pickLimitNames.reduce((a, b) => (candidate.margins[b] > candidate.margins[a] ? b : a));
  return { reason: limitReason(setting, candidate, '', limit), candidate };
}

/**
 * What the workshop's own runs correct of a prop's prediction, as a sentence.
 *
 * @param pitchRatio - of the prop that is spoken of
 * @returns null without runs
 */
export function calibrationReason(
  { calibration }: Pick<PickSetting, 'calibration'>,
  pitchRatio: number,
): Reason | null {
  if (!calibration) return null;
  const [thrust, power] = [
    calibrationFactor(calibration.whole.thrust, pitchRatio),
    calibrationFactor(calibration.whole.power, pitchRatio),
  ];
  return {
    code: 'pick.calibrated',
    severity: 'note',
    values: {
      runCount: calibration.runCount,
      propCount: calibration.propCount,
      thrustRatio: thrust.factor - 1,
      powerRatio: power.factor - 1,
    },
    figure: null,
  };
}
