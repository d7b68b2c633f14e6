import { CoreError } from '@zivvo/core';
import { ULog } from '@foxglove/ulog';

/** Reads one number of a message that begins at an offset of the piece in hand. */
type FieldReader = (at: number) => number;
/** What is done with each topic: asked once which fields it has, then told of each message. */
export type TopicReaders = Record<
  string,
  (field: (name: string) => FieldReader | null) => (timeS: number, at: number) => void
>;

type Definition = NonNullable<ULog['header']>['definitions'] extends Map<string, infer D> ? D : never;

/** What a log says of itself stands in its first part, however long it is. */
const HEAD_BYTES = 4_000_000;
const PIECE_BYTES = 8_000_000;
const [ADDED, DATA] = ['A'.charCodeAt(0), 'D'.charCodeAt(0)];
const FIRST_MESSAGE = 16;

const READERS: Record<string, { size: number; read: (view: DataView, at: number) => number }> = {
  int8_t: { size: 1, read: (v, at) => v.getInt8(at) },
  uint8_t: { size: 1, read: (v, at) => v.getUint8(at) },
  bool: { size: 1, read: (v, at) => v.getUint8(at) },
  char: { size: 1, read: (v, at) => v.getUint8(at) },
  int16_t: { size: 2, read: (v, at) => v.getInt16(at, true) },
  uint16_t: { size: 2, read: (v, at) => v.getUint16(at, true) },
  int32_t: { size: 4, read: (v, at) => v.getInt32(at, true) },
  uint32_t: { size: 4, read: (v, at) => v.getUint32(at, true) },
  float: { size: 4, read: (v, at) => v.getFloat32(at, true) },
  int64_t: { size: 8, read: (v, at) => Number(v.getBigInt64(at, true)) },
  uint64_t: { size: 8, read: (v, at) => v.getUint32(at, true) + 2 ** 32 * v.getUint32(at + 4, true) },
  double: { size: 8, read: (v, at) => v.getFloat64(at, true) },
};

/**
 * Reads the topics asked for out of a ULog. The library says what the log is made of; its messages, of which a flight
 * has a million, are walked here, as an object for each would take four times as long.
 *
 * @returns names of all topics of which messages were announced
 * @throws {CoreError} `truncated` where not even its first part can be read
 */
export async function readUlogTopics(
  file: Blob,
  readers: TopicReaders,
  onProgress: (share: number) => void,
): Promise<Set<string>> {
  const head = file.slice(0, HEAD_BYTES);
  const ulog = new ULog({
    open: () => Promise.resolve(head.size),
    size: () => head.size,
    read: async (offset, length) => new Uint8Array(await head.slice(offset, offset + length).arrayBuffer()),
  });
  try {
    await ulog.open();
  } catch (error) {
    throw new CoreError('truncated', { what: (error as Error).message });
  }
  const definitions = ulog.header?.definitions ?? new Map<string, Definition>();
  const named = new Set<string>();
  const listening = new Map<number, { timeOffset: number; take: (timeS: number, at: number) => void }>();
  let view = new DataView(new ArrayBuffer(0));
  let startS: number | null = null;

  const announce = (at: number, size: number): void => {
    const [multiId, id] = [view.getUint8(at), view.getUint16(at + 1, true)];
    const name = new TextDecoder().decode(new Uint8Array(view.buffer, at + 3, size - 3));
    named.add(name);
    const definition = definitions.get(name);
    const reader = readers[name];
    // Only the first of several alike is read: the second receiver or battery is another story.
    if (multiId !== 0 || !reader || !definition) return;
    const offsets = offsetsOf(definition, definitions);
    const field = (wanted: string): FieldReader | null => {
      const found = offsets.get(wanted);
      return found ? (start) => READERS[found.type]!.read(view, start + found.offset) : null;
    };
    const timeOffset = offsets.get('timestamp')?.offset;
    if (timeOffset !== undefined) listening.set(id, { timeOffset, take: reader(field) });
  };

  let position = FIRST_MESSAGE;
  while (position + 3 <= file.size) {
    const bytes = await file.slice(position, position + PIECE_BYTES).arrayBuffer();
    view = new DataView(bytes);
    let at = 0;
    while (at + 3 <= bytes.byteLength) {
      const size = view.getUint16(at, true);
      if (at + 3 + size > bytes.byteLength) break;
      const type = view.getUint8(at + 2);
      if (type === ADDED) announce(at + 3, size);
      else if (type === DATA) {
        const topic = listening.get(view.getUint16(at + 3, true));
        if (topic) {
          const start = at + 5;
          const timeS = READERS.uint64_t!.read(view, start + topic.timeOffset) / 1e6;
          startS ??= timeS;
          topic.take(timeS - startS, start);
        }
      }
      at += 3 + size;
    }
    // A message that is longer than what is left of the file was never finished.
    if (at === 0) break;
    position += at;
    onProgress(Math.min(1, position / file.size));
  }
  return named;
}

/** Where each number of a message stands, arrays and inner messages spelled out: `esc[1].esc_rpm`. */
function offsetsOf(
  definition: Definition,
  definitions: ReadonlyMap<string, Definition>,
): Map<string, { offset: number; type: string }> {
  const found = new Map<string, { offset: number; type: string }>();
  const walk = (of: Definition, prefix: string, start: number, depth: number): number => {
    let offset = start;
    for (const { type, name, arrayLength } of of.fields)
      for (let k = 0; k < (arrayLength ?? 1); k++) {
        const own = `${prefix}${name}${arrayLength === undefined ? '' : `[${k}]`}`;
        const inner = definitions.get(type);
        if (READERS[type]) {
          found.set(own, { offset, type });
          offset += READERS[type].size;
        } else if (inner && depth < 4) offset = walk(inner, `${own}.`, offset, depth + 1);
      }
    return offset;
  };
  walk(definition, '', 0, 0);
  return found;
}
