import { requireWithin } from '../errors/guards.ts';
import { CoreError } from '../errors/coreError.ts';

/** A column of numbers as it is stored: little-endian, all first bytes, then all second bytes, and so on. */
export type StoredColumn = Float64Array | Float32Array | Int16Array;
export type ColumnKind = 'float64' | 'float32' | 'int16';

const kinds = { float64: Float64Array, float32: Float32Array, int16: Int16Array } as const;

/**
 * Columns on end, each with its bytes sorted by their place in the number: signs and exponents of a reading that moves
 * slowly are alike and then lie side by side, which is what a general compression is good at.
 */
export function columnsToBytes(columns: readonly StoredColumn[]): Uint8Array {
  const bytes = new Uint8Array(columns.reduce((sum, c) => sum + c.byteLength, 0));
  let at = 0;
  for (const column of columns) {
    const source = new Uint8Array(column.buffer, column.byteOffset, column.byteLength);
    const width = column.BYTES_PER_ELEMENT;
    for (let place = 0; place < width; place++)
      for (let i = place; i < source.length; i += width) bytes[at++] = source[i]!;
  }
  return bytes;
}

/**
 * @param wanted - places of the columns to read, in the order in which they are to come; all where it is left out
 * @throws {CoreError} `tornBlock` if the bytes are not as long as the columns say
 */
export function bytesToColumns(
  bytes: Uint8Array,
  columnKinds: readonly ColumnKind[],
  count: number,
  wanted: readonly number[] = [...columnKinds.keys()],
): StoredColumn[] {
  requireWithin('count', count, 0, 1e9);
  const starts: number[] = [];
  let end = 0;
  for (const kind of columnKinds) {
    starts.push(end);
    end += count * kinds[kind].BYTES_PER_ELEMENT;
  }
  if (bytes.length !== end) throw new CoreError('tornBlock', { byteCount: bytes.length, expectedCount: end });
  return wanted.map((column) => {
    const kind = kinds[columnKinds[column]!];
    const width = kind.BYTES_PER_ELEMENT;
    const sorted = new Uint8Array(count * width);
    for (let place = 0; place < width; place++)
      for (let i = 0; i < count; i++) sorted[i * width + place] = bytes[starts[column]! + place * count + i]!;
    return new kind(sorted.buffer);
  });
}

/**
 * Readings as whole steps; what lies beyond 16 bits is held at their end, what was not read is the one value that no
 * reading has.
 */
export function toSteps(values: Float32Array, step: number): Int16Array {
  return Int16Array.from(values, (v) =>
    Number.isNaN(v) ? NOT_READ : Math.max(NOT_READ + 1, Math.min(32_767, Math.round(v / step))),
  );
}

export function fromSteps(steps: Int16Array, step: number): Float32Array {
  return Float32Array.from(steps, (s) => (s === NOT_READ ? NaN : s * step));
}

const NOT_READ = -32_768;
