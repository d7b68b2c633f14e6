import { describe, expect, test } from '@jest/globals';
import { JSON_MAX_DEPTH, JSON_NODE_MAX_COUNT, OBJECT_KEY_MAX_COUNT } from '@zivvo/contract';
import fc from 'fast-check';
import { faultIn, type JsonFault } from './jsonBody.ts';

const fault = (text: string): JsonFault | null => faultIn(Buffer.from(text));

test.each<[string, string, JsonFault | null]>([
  ['as deep as may be', '['.repeat(JSON_MAX_DEPTH) + ']'.repeat(JSON_MAX_DEPTH), null],
  ['one deeper', '['.repeat(JSON_MAX_DEPTH + 1), 'depth'],
  ['one after another is not deep', `[${Array(500).fill('[[1]]').join(',')}]`, null],
  [
    'as many values as may be',
    `[${Array(JSON_NODE_MAX_COUNT - 1)
      .fill('1')
      .join(',')}]`,
    null,
  ],
  ['one more', `[${Array(JSON_NODE_MAX_COUNT).fill('1').join(',')}]`, 'nodes'],
  ['as many fields as may be', `{${Array(OBJECT_KEY_MAX_COUNT).fill('"a":1').join(',')}}`, null],
  [
    'one more',
    `{"a":1,"b":{${Array(OBJECT_KEY_MAX_COUNT + 1)
      .fill('"a":1')
      .join(',')}}}`,
    'keys',
  ],
  ['signs within a text', JSON.stringify({ a: '[[[[[[[[[[[[[[[{{{,,,:::"\\"' }), null],
  ['no character', '"\\u0000"', 'nul'],
  ['a written backslash before what looks like one', JSON.stringify('\\u0000'), null],
  ['a whole pair', '"\\ud83d\\ude81"', null],
  ['its first half', '"\\ud83d"', 'halfPair'],
  ['its second half', '"\\ude81"', 'halfPair'],
  ['two first halves', '"\\ud83d\\ud83d\\ude81"', 'halfPair'],
  ['an end in the middle', '{"a":"\\u00', null],
])('%s', (_what, text, expected) => expect(fault(text)).toBe(expected));

describe('whatever it is', () => {
  /** Depth, values and the most fields of an object, as they are counted in what was read; what is empty is one. */
  function measured(value: unknown): { depth: number; nodes: number; fields: number } {
    if (typeof value !== 'object' || value === null) return { depth: 0, nodes: 0, fields: 0 };
    const inner = Object.values(value).map(measured);
    return {
      depth: 1 + Math.max(0, ...inner.map((m) => m.depth)),
      nodes: inner.reduce((sum, m) => sum + m.nodes, Math.max(1, inner.length)),
      fields: Math.max(Array.isArray(value) ? 0 : inner.length, 0, ...inner.map((m) => m.fields)),
    };
  }

  test('the bytes say what the value says', () =>
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: JSON_MAX_DEPTH + 3 }), fc.constantFrom(0, 1, 3), (value, indent) => {
        const { depth, nodes, fields } = measured(value);
        const text = JSON.stringify(value, null, indent);
        const isBad = /\\u0000|\\ud[89a-f]/i.test(text.replaceAll('\\\\', ''));
        const isOver = depth > JSON_MAX_DEPTH || nodes + 1 > JSON_NODE_MAX_COUNT || fields > OBJECT_KEY_MAX_COUNT;
        expect(fault(text) !== null).toBe(isBad || isOver);
      }),
      { numRuns: 400 },
    ));

  test('bytes that are nothing end, and throw nothing', () =>
    fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => void faultIn(bytes))));
});
