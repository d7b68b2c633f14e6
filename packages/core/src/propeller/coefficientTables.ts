import type { RotorAir } from '../air/rotorAir.ts';
import { CoefficientTable, type PropFamily } from './coefficientTable.ts';

/** Tables kept at once: a table holds about 75 kB, and a whole one takes a tenth of a second to compute. */
const MOST_TABLES = 96;

/** The tables of one air, each made when its family is first asked for; the one unused for longest goes first. */
export class CoefficientTables {
  private readonly tables = new Map<string, CoefficientTable>();

  constructor(readonly air: RotorAir) {}

  of(family: PropFamily): CoefficientTable {
    const key = [family.bladeCount, family.tipShape, family.section, family.planform, family.material].join();
    const known = this.tables.get(key);
    this.tables.delete(key);
    const table =
      known ??
      new CoefficientTable(
        {
          bladeCount: family.bladeCount,
          tipShape: family.tipShape,
          section: family.section,
          planform: family.planform,
          material: family.material,
        },
        this.air,
      );
    this.tables.set(key, table);
    if (this.tables.size > MOST_TABLES) this.tables.delete(this.tables.keys().next().value!);
    return table;
  }
}
