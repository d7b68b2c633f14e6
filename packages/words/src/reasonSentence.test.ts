import { describe, expect, test } from '@jest/globals';
import { criterionNames, pickLimitNames, remedyNames, takeOffVerdicts } from '@zivvo/core';
import { defaultUnits, hasSentence, reasonSentence, stopSentence, type UnitChoices } from './index.ts';

const plain = (text: string): string => text.replace(/\u202f/g, ' ');
const say = (code: string, values: Record<string, string | number>, units: UnitChoices = defaultUnits): string =>
  plain(reasonSentence({ code, values }, units));

describe('headlines', () => {
  test.each<[string, Record<string, string | number>, string]>([
    ['noRuns', {}, 'No run yet: type one, paste a table or drop a file.'],
    ['noCountedRuns', { count: 3 }, 'None of 3 runs counts yet.'],
    ['onlyOne', { name: 'Orle 9x5' }, 'Orle 9×5 is measured. A second prop makes it a comparison.'],
    [
      'onlyOneHovers',
      { name: 'Orle 9x5', throttleRatio: 0.412 },
      'Orle 9×5 hovers at 41 % throttle. A second prop makes it a comparison.',
    ],
    ['strongest', { name: 'Orle 9x5', thrustN: 19.0837 }, 'Orle 9×5 gives most thrust: 1,946 g.'],
    [
      'leadsBothAgainst',
      { name: 'Tamsk 7.7x4x3', differenceRatio: 0.069, reference: 'Orle 9x5' },
      'Tamsk 7.7×4×3: 6.9 % more thrust than Orle 9×5, and the least power in hover.',
    ],
    [
      'leadsBothAgainst',
      { name: 'Tamsk 7.7x4x3', differenceRatio: 0.069, reference: 'Orle 9x5', barred: 'Orle 9x6' },
      'Tamsk 7.7×4×3: 6.9 % more thrust than Orle 9×5, and the least power in hover, of those within the limits.',
    ],
    [
      'allBarred',
      { name: 'A 7x5x3', thrustN: 19.6133, barred: '' },
      'Every prop measured passes a limit; of them A 7×5×3 pulls most: 2,000 g.',
    ],
    [
      'sameBothAgainst',
      { name: 'A 7x5x3', differenceRatio: -0.002, reference: 'B 7x4' },
      'A 7×5×3 pulls as much as B 7×4 and hovers on least power.',
    ],
    [
      'lessSplitAgainst',
      { name: 'A 7x5x3', differenceRatio: -0.13, reference: 'B 7x4', otherName: 'C 7x3', barred: 'B 7x4' },
      'A 7×5×3 pulls most within the limits, 13 % less than B 7×4; C 7×3 hovers on least power.',
    ],
    [
      'leadSplitAgainst',
      { name: 'A 7x5x3', differenceRatio: 0.044, reference: 'B 7x4', otherName: 'B 7x4' },
      'A 7×5×3 gives 4.4 % more thrust than B 7×4; B 7×4 hovers on least power.',
    ],
    ['referenceLeadsBoth', { name: 'Orle 9x5' }, 'Nothing within the limits beats Orle 9×5, in thrust or in hover.'],
  ])('%s', (code, values, sentence) => expect(say(code, values)).toBe(sentence));
});

describe('limits', () => {
  test.each<[string, Record<string, string | number>, string]>([
    [
      'breach.motorCurrent',
      { name: 'Orle 9x5', value: 31.2, limit: 30, throttleRatio: 0.97 },
      'Orle 9×5 draws 31.2 A; the motor’s limit is 30 A, passed from 97 % throttle.',
    ],
    [
      'breach.makerSpeed',
      { name: 'Orle 7144-2', value: 21_530, limit: 21_000, throttleRatio: 0.97 },
      'Orle 7144-2 turned 21,530 rpm; its maker allows 21,000 rpm, passed from 97 % throttle.',
    ],
    [
      'breach.clearance',
      { name: 'Orle 9x5', value: 0.2286, limit: 0.2 },
      'Orle 9×5 is 9 in across; the frame clears 7.87 in.',
    ],
    [
      'breaches.escCurrent',
      { name: 'Orle 9x5', value: 46.4, limit: 42, throttleRatio: 0.93, others: 'Tamsk 7.7x4x3' },
      'Orle 9×5 draws 46.4 A and passes the ESC’s 42 A from 93 % throttle. So do Tamsk 7.7×4×3.',
    ],
    [
      'cannotHover',
      { name: 'Orle 5x3', thrustN: 3, neededN: 4.707 },
      'Orle 5×3 cannot carry the craft: 306 g a rotor at most, 480 g needed.',
    ],
  ])('%s', (code, values, sentence) => expect(say(code, values)).toBe(sentence));

  test('an imperial reader and one in newtons read the same fact', () => {
    const values = { name: 'Orle 9x5', value: 0.2286, limit: 0.2 };
    expect(say('breach.clearance', values, { ...defaultUnits, length: 'mm' })).toBe(
      'Orle 9×5 is 228.6 mm across; the frame clears 200.0 mm.',
    );
    expect(say('strongest', { name: 'Orle 9x5', thrustN: 19.0837 }, { ...defaultUnits, force: 'N' })).toBe(
      'Orle 9×5 gives most thrust: 19.08 N.',
    );
  });
});

describe('runs and doubts', () => {
  test.each<[string, Record<string, string | number>, string]>([
    [
      'leftOut.belowGate',
      { ordinal: 3, name: 'A 7x5x3', value: 3.98, limit: 4.05 },
      'Run 3 of A 7×5×3 started at 3.98 V a cell, under the 4.05 V gate. It is kept and does not count: repeat it.',
    ],
    [
      'thrustExponent',
      { name: 'A 7x5x3', exponent: 1.831 },
      'Thrust of A 7×5×3 grows with speed to the power 1.83; 1.85 to 2.25 is usual. Look at the scale, stall or flex.',
    ],
    [
      'outlierRun',
      { ordinal: 1, name: 'A 7x5x3', thrustN: 23.04, mean: 22.65 },
      'Run 1 of A 7×5×3 stands apart: 2,349 g against 2,310 g on average. Repeat it.',
    ],
    [
      'sameThrust',
      { name: 'A 7x5x3', differenceRatio: 0.0075, halfWidthRatio: 0.009 },
      'A 7×5×3 differs from the reference by +0.8 % in thrust, inside ±0.9 %: the same.',
    ],
    ['referenceMissing', { name: '' }, 'No reference prop is chosen: choose the one the craft flies now.'],
    ['referenceMissing', { name: 'Orle 9x5' }, 'The reference Orle 9×5 has no counting run yet.'],
    ['meanOfRuns', { count: 1 }, 'One run counts: its own value.'],
    ['meanOfRuns', { count: 3 }, 'Mean of 3 runs that count.'],
  ])('%s %j', (code, values, sentence) => expect(say(code, values)).toBe(sentence));
});

test('gains carry their uncertainty', () => {
  expect(say('mostThrust', { name: 'A 7x5x3', thrustN: 22.7, differenceRatio: 0.044, halfWidthRatio: 0.009 })).toBe(
    'A 7×5×3 pulls 2,315 g at full throttle, +4.4 % ± 0.9 % against the reference.',
  );
  const crossing = { name: 'A', reference: 'B', powerW: 340, lowW: 310, highW: 372, thrustN: 11 };
  expect(say('betterAbove', { ...crossing, isExtended: 0 })).toBe(
    'A passes B above 340 W (310 W to 372 W), 1,122 g; below it gives less.',
  );
  expect(say('betterBelow', { ...crossing, isExtended: 1 })).toBe(
    'A beats B up to 340 W (310 W to 372 W), 1,122 g; above it gives less. That is extended beyond what was ' +
      'measured: run it there before you rely on it.',
  );
});

test('a stop of the line is a sentence with the station’s name', () => {
  expect(
    stopSentence({ station: 'stand', state: 'half', code: 'stand.stale', values: { days: 190 } }, defaultUnits),
  ).toBe('Stand: last measured 190 days ago');
});

test('a missing value shows as missing, never as a number', () => {
  expect(say('strongest', { name: 'Orle 9x5' })).toBe('Orle 9×5 gives most thrust: – g.');
});

describe('picking', () => {
  test('every gain, price, limit and remedy has words', () => {
    const codes = [
      ...criterionNames.flatMap((c) => [`pick.gains.${c}`, `pick.pays.${c}`]),
      ...pickLimitNames.flatMap((l) => [`pick.barred.${l}`, `pick.closest.${l}`]),
      ...remedyNames.flatMap((r) => [`pick.remedy.${r}`, `pick.remedy.${r}.notEnough`]),
      'pick.same',
      'pick.cannot.carry',
      'pick.cannot.packSag',
    ];
    expect(codes.filter((code) => !hasSentence(code))).toEqual([]);
  });
  test.each<[string, Record<string, string | number>, string]>([
    [
      'pick.barred.stock',
      { name: 'Tamsk 7.7x4x3', value: 4, allowed: 3 },
      'Tamsk 7.7×4×3: 3 of the 4 pieces of the right hands are on the rack.',
    ],
    [
      'pick.calibrated',
      { runCount: 1, propCount: 1, thrustRatio: 0.042, powerRatio: -0.031 },
      '1 run of 1 prop on this motor correct the model: +4.2 % thrust, −3.1 % power at a speed.',
    ],
    [
      'pick.calibrated',
      { runCount: 18, propCount: 9, thrustRatio: -0.12, powerRatio: 0.05 },
      '18 runs of 9 props on this motor correct the model: −12 % thrust, +5.0 % power at a speed.',
    ],
    ['thriftiest', { name: '11x6', kind: 'plane' }, '11×6 cruises on least power.'],
    ['thriftiest', { name: '7.2x3.9x3', kind: 'multirotor' }, '7.2×3.9×3 hovers on least power.'],
    [
      'pick.gains.minutes',
      { name: 'Tamsk 7.7x4x3', reference: 'Brindlow 7.2x3.9x3', difference: 90, value: 1242 },
      'Tamsk 7.7×4×3 flies 1.5 min longer than Brindlow 7.2×3.9×3: 20.7 min.',
    ],
    [
      'pick.pays.answer',
      { difference: 0.011, value: 0.096, other: 0.085 },
      'It answers later: 96 ms instead of 85 ms.',
    ],
    ['pick.gains.quiet', { difference: -3.2, value: 52.1 }, 'It is 3.2 dB(A) quieter at 20 m: 52.1 dB(A).'],
    [
      'pick.barred.clearance',
      { name: 'Orle 9x5', value: 0.2286, allowed: 0.2 },
      'Orle 9×5: 9 in across: the frame clears 7.87 in.',
    ],
    ['pick.barred.clearance', { name: '', value: 0.2286, allowed: 0.2 }, '9 in across: the frame clears 7.87 in.'],
    [
      'pick.remedy.pitch',
      { name: 'Orle 9x5', from: 0.127, to: 0.1143 },
      'Orle 9×5 suits with 4.5 in of pitch instead of 5 in.',
    ],
  ])('%s %j', (code, values, sentence) => expect(say(code, values)).toBe(sentence));
});

describe('fitting', () => {
  test('every verdict has words', () => expect(takeOffVerdicts.filter((v) => !hasSentence(`fit.${v}`))).toEqual([]));

  test.each<[string, Record<string, string | number>, string]>([
    [
      'fit.tips',
      { place: 'rearLeft', liftRatio: 0.625, momentNm: 0.73 },
      'It tips toward rear left the moment it lifts: 0.73 N·m turn it over, 63 % of the lift is there.',
    ],
    [
      'fit.tips',
      { place: 'front', liftRatio: 0.25, momentNm: 1.46 },
      'It tips toward its front the moment it lifts: 1.46 N·m turn it over, 25 % of the lift is there.',
    ],
    [
      'fit.cannotSteer',
      { axes: 'pitch, yaw', count: 2 },
      'It cannot be steered in pitch, yaw alone, 2 of 3 ways: places, spins, a lean or a servo must give that. ' +
        'It cannot be flown so.',
    ],
    [
      'fit.lossHolds',
      { of: 8, worst: 1.3, count: 8, yaws: 1 },
      'Any one of 8 rotors may stop: the others hold 1.30 times its weight level and steer it in roll and ' +
        'pitch, in yaw too.',
    ],
    [
      'fit.lossTurns',
      { of: 6, worst: 1.3, count: 0, yaws: 0 },
      'When a rotor stops it comes down turning: 1.30 times its weight is held level only with the opposite ' +
        'one idle, and nothing is left to steer with. None of 6 may stop.',
    ],
    [
      'fit.cannotFly',
      { wrongSpinCount: 1, count: 4, axes: 'roll, pitch, yaw' },
      'It cannot be flown: one of 4 motors turns against the controller’s table, and nothing is left to steer ' +
        'roll, pitch and yaw.',
    ],
    [
      'fit.cannotFly',
      { wrongSpinCount: 2, count: 4, axes: '' },
      'It cannot be flown: 2 of 4 motors turn against the controller’s table, and no throttles hold it level ' +
        'without turning.',
    ],
    [
      'fit.yawRunsAway',
      { wrongSpinCount: 4, count: 4, axes: '' },
      'It lifts, then yaw runs away: all 4 motors turn against the controller’s table.',
    ],
    [
      'fit.sideThrust',
      { side: 'left', wanted: 'right', torqueNm: 0.12, isPusher: 1 },
      'The prop end of the shaft points left; these spins twist the plane with 0.12 N·m and ask for the prop ' +
        'end to the right. A reversed motor changes the side.',
    ],
    [
      'fit.bladeLoss',
      { forceN: 280, timesWeight: 14.4 },
      'A lost blade pulls with about 28,552 g at full throttle in standard air, 14 times the weight: shut down ' +
        'at once.',
    ],
    [
      'fit.mixed',
      { count: 2, names: '7.2×3.9×3, 9×5' },
      '2 models are mixed: 7.2×3.9×3, 9×5. One model on every arm; a new model means new pieces everywhere.',
    ],
    [
      'fit.sideThrust',
      { side: 'left', wanted: 'right', torqueNm: 0.12 },
      'The motor points left; these spins twist the plane with 0.12 N·m and ask for a point to the right. A ' +
        'reversed motor changes the side.',
    ],
    ['fit.flies', { count: 1 }, 'The piece pulls the right way: full thrust.'],
    ['fit.flies', { count: 6 }, 'All 6 rotors push the right way: it lifts level.'],
    ['fit.fault.spin', { place: 'frontLeft' }, 'Front left: the motor turns against the controller’s table.'],
    ['fit.fault.hand', { place: 'nose' }, 'Nose: the piece is the other hand.'],
    [
      'fit.seeTheSpin',
      { count: 1, of: 1 },
      'See the spin of the motor: what is drawn is a proposal, nothing is confirmed without it.',
    ],
    [
      'fit.seeTheSpin',
      { count: 2, of: 4 },
      'See the spin of 2 of 4 motors: what is drawn is a proposal, nothing is confirmed without it.',
    ],
    ['fit.unknown', { count: 1, place: 'rear' }, '1 arm has no known piece yet: put one on, or say its hand.'],
  ])('%s', (code, values, sentence) => expect(say(code, values)).toBe(sentence));
});
