/** Fewer changes than this are not worth the while. */
const CHANGES_LEAST = 200;
/** A table that has changed by such a part is counted anew. */
const CHANGED_SHARE = 0.2;

/**
 * Which tables have changed so much that they are to be tidied and counted anew. The embedded database has nobody who
 * does that beside: without counts it plans for tables of a few rows, and reads all of three thousand pieces to find
 * the four of a craft.
 */
export class TableUpkeep {
  private readonly changes = new Map<string, number>();
  private readonly limits = new Map<string, number>();

  /**
   * Notes what a statement has changed.
   *
   * @param text - of the statement
   * @returns whether its table is due now
   */
  note(text: string, rowCount: number | null): boolean {
    const [, table] = ONE_TABLE.exec(text) ?? [];
    if (table === undefined || !rowCount) return false;
    const changed = (this.changes.get(table) ?? 0) + rowCount;
    this.changes.set(table, changed);
    return changed >= this.limitOf(table);
  }

  /** Makes a table due. */
  demand(table: string): void {
    this.changes.set(table, Infinity);
  }

  /** Tables that are due, each once. */
  take(): string[] {
    const due = [...this.changes].flatMap(([table, changed]) => (changed >= this.limitOf(table) ? [table] : []));
    for (const table of due) this.changes.delete(table);
    return due;
  }

  /** Says how many rows a table has: the more, the more must change before it is due again. */
  count(table: string, rowCount: number): void {
    this.limits.set(table, Math.max(CHANGES_LEAST, CHANGED_SHARE * rowCount));
  }

  private limitOf(table: string): number {
    return this.limits.get(table) ?? CHANGES_LEAST;
  }
}

const ONE_TABLE = /^\s*(?:insert\s+into|update|delete\s+from)\s+"([^"]+)"(?!\s*\.)/i;
