// Half of the space of candidates, tables and all.
import { parentPort, workerData } from 'node:worker_threads';
import * as core from '../packages/core/dist/index.js';

const { craft, grid, families } = workerData;
const prepared = core.prepareCraft(craft, new core.CoefficientTables(core.STANDARD_ROTOR_AIR));
parentPort.postMessage(
  families.map((family) => {
    const map = core.emptyPickMap(family, grid);
    for (const _ of core.refineMap(prepared, map));
    return map.values;
  }),
);
