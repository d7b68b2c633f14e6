import type { CraftView, PropModelView } from '@zivvo/contract';
import { INCH_M, layOut, type Layout } from '@zivvo/core';
import { OwnThreadDesk } from '../test/ownThreadDesk.ts';
import { PickPool, replacePickPool } from './pickPool.ts';
import { PickWork } from './pickWork.ts';
import { listed } from '../test/pretendServer.ts';

/** A survey quad of 1.92 kg, as the server would tell of it. */
export function craftForPick(more: Partial<CraftView> = {}, layout: Layout = 'quadX'): CraftView {
  return {
    id: 'c1',
    name: 'Petrel',
    kind: 'multirotor',
    layout,
    rotors: layOut({ layout, diagonalM: 0.294, arms: null }),
    massKg: 1.92,
    clearanceDiameterM: 0.2,
    groundClearanceM: null,
    boomClearanceM: null,
    shaftDiameterM: 0.005,
    motorLabel: '2507 1080 kV',
    statorDiameterM: 0.025,
    statorHeightM: 0.007,
    kvRpmPerV: 1080,
    motorResistanceOhm: 0.12,
    motorNoLoadCurrentA: 0.7,
    motorMassKg: 0.04,
    estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
    motorLimitA: null,
    escLimitA: 42,
    packChemistry: 'lipo',
    packSeriesCount: 6,
    packCapacityAh: 4,
    packPieceId: null,
    packCellResistanceOhm: null,
    packCRating: null,
    standbyPowerW: null,
    ductThrustRatio: null,
    referencePropModelId: 'm1',
    kits: [],
    use: null,
    weights: null,
    ...more,
  } as unknown as CraftView;
}

/** A prop model of the rack. */
export function modelForPick(
  id: string,
  diameterIn: number,
  pitchIn: number,
  bladeCount: number,
  more: Partial<PropModelView> = {},
): PropModelView {
  return {
    id,
    label: `${diameterIn}x${pitchIn}x${bladeCount}`,
    makerName: 'Brindlow',
    diameterM: diameterIn * INCH_M,
    pitchM: pitchIn * INCH_M,
    bladeCount,
    tipShape: 'standard',
    material: 'polycarbonate',
    measuredDiameterM: null,
    measuredMassKg: null,
    speedLimitRpm: null,
    boreDiameterM: 0.005,
    labelHand: null,
    planform: null,
    chord75M: null,
    angle75Rad: null,
    bagPrice: null,
    bagCount: null,
    wantedCount: 0,
    wantedCraftId: null,
    stock: { cwCount: 3, ccwCount: 3, countedAt: '2026-11-20T09:00:00Z' },
    seriesIndex: 0,
    ...more,
  } as unknown as PropModelView;
}

/** The rack that tests of pages choose from: the present prop, a good one, one too large for the frame. */
export const rackForPick = [
  modelForPick('m1', 7.2, 3.9, 3),
  modelForPick('m2', 7.6, 3.4, 2, { makerName: 'Orle' }),
  modelForPick('m3', 9, 5, 2, { makerName: 'Tamsk', stock: null }),
];

/** What the server answers to a page of Pick. */
export function pickAnswers(craft: CraftView, models: readonly PropModelView[] = rackForPick): Record<string, unknown> {
  return {
    [`GET /crafts/${craft.id}`]: craft,
    'GET /air': { air: null },
    'GET /prop-models': { items: models, total: models.length },
    [`GET /crafts/${craft.id}/calibration`]: { calibration: null, isSimulated: false },
    'GET /pack-pieces': listed([
      {
        id: 'p1',
        tag: 'L4',
        chemistry: 'lipo',
        seriesCount: 6,
        parallelCount: 1,
        capacityAh: 3,
        cellResistanceOhm: null,
        cRating: null,
      },
      {
        id: 'p2',
        tag: 'L9',
        chemistry: 'lipo',
        seriesCount: 6,
        parallelCount: 1,
        capacityAh: 5,
        cellResistanceOhm: null,
        cRating: null,
      },
    ]),
  };
}

const FAMILIES = 3;

/** A pool that works out the families nearest to the one shown, which is enough for a page. */
class SmallPool extends PickPool {
  override startMaps(...[setting, grid, families, listener]: Parameters<PickPool['startMaps']>): void {
    super.startMaps(setting, grid, families.slice(0, FAMILIES), listener);
  }
}

/** Lets the pages of a test work without real workers; tables are kept from test to test. */
export function pickWithoutWorkers(): void {
  replacePickPool(new SmallPool(() => new OwnThreadDesk(new PickWork())));
}
