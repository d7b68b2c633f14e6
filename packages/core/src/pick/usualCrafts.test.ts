import { describe, expect, test } from '@jest/globals';
import { rotorAir } from '../air/rotorAir.ts';
import { layOut, needsDiagonal } from '../craft/layouts.ts';
import { usualCraftNames, usualCrafts } from '../craft/usualCrafts.ts';
import { readMotorLabel } from '../label/readMotorLabel.ts';
import { readPropLabel } from '../label/readPropLabel.ts';
import { estimateMotor } from '../powertrain/estimateMotor.ts';
import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { labelGeometry } from '../propeller/propGeometry.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { prepareCraft, pickCraftOf } from './pickCraft.ts';
import { brokenLimits } from './pickFigures.ts';

const AIR_C = 15;
const tables = new CoefficientTables(rotorAir(AIR_C, 101_325, 0.5));

describe.each(usualCraftNames)('a usual craft, %s', (name) => {
  const craft = usualCrafts[name];

  test('has a motor and a prop whose labels are read as its figures', () => {
    const motor = readMotorLabel(craft.motorLabel);
    expect(motor.status === 'read' && motor.readings[0]).toMatchObject({
      statorDiameterM: expect.closeTo(craft.statorDiameterM, 6),
      statorHeightM: expect.closeTo(craft.statorHeightM, 6),
      kvRpmPerV: craft.kvRpmPerV,
    });
    expect(readPropLabel(craft.propLabel).status).toBe('read');
    expect(needsDiagonal(craft.layout)).toBe(craft.diagonalM !== null);
  });

  test('flies on its prop: breaks no limit, carries itself with throttle left, stays up some minutes', () => {
    const { resistanceOhm, noLoadCurrentA, massKg } = estimateMotor(
      craft.statorDiameterM,
      craft.statorHeightM,
      craft.kvRpmPerV,
    );
    const entries = {
      ...craft,
      rotors: layOut({ ...craft, arms: null }),
      motorResistanceOhm: resistanceOhm,
      motorNoLoadCurrentA: noLoadCurrentA,
      motorMassKg: massKg,
      estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
      motorLimitA: null,
      packParallelCount: 1,
      gearRatio: null,
      boomClearanceM: null,
      shaftDiameterM: null,
      packCellResistanceOhm: null,
      packCRating: null,
      standbyPowerW: null,
      use: null,
    };
    const read = readPropLabel(craft.propLabel);
    if (read.status !== 'read') throw new Error(craft.propLabel);
    const { diameterM, pitchM, bladeCount } = read.readings[0]!;
    const { figures, margins } = evaluateCandidate(
      prepareCraft(pickCraftOf(entries, AIR_C), tables),
      labelGeometry(diameterM, pitchM!, bladeCount ?? 2, 'standard', 'glassNylon'),
    );
    expect(brokenLimits(margins)).toEqual([]);
    expect(figures.carryThrottleRatio).toBeGreaterThan(0.1);
    expect(figures.carryThrottleRatio).toBeLessThan(0.8);
    expect(figures.enduranceS).toBeGreaterThan(150);
  });
});
