import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rotation, type RotatedSet } from './rotation.ts';

const set = (id: string, usedRatio: number, more: Partial<RotatedSet> = {}): RotatedSet => ({
  id,
  usedRatio,
  isOn: false,
  isResting: false,
  isComplete: true,
  ...more,
});

describe('whose turn it is', () => {
  test('the least used that may fly comes first; the one on the craft stays while the others are not much fresher', () => {
    expect(rotation([set('a', 0.3, { isOn: true }), set('b', 0.25), set('c', 0.8)])).toEqual({
      order: ['b', 'a', 'c'],
      nextId: null,
    });
    expect(rotation([set('a', 0.5, { isOn: true }), set('b', 0.25)]).nextId).toBe('b');
  });

  test('a set that rests or lacks a piece has no turn; one that rests on the craft gives way', () => {
    expect(
      rotation([
        set('a', 0.5, { isOn: true }),
        set('b', 0.1, { isResting: true }),
        set('c', 0.1, { isComplete: false }),
      ]),
    ).toEqual({ order: ['a'], nextId: null });
    expect(rotation([set('a', 0.1, { isOn: true, isResting: true }), set('b', 0.6)]).nextId).toBe('b');
  });

  test('whatever the sets, nobody is next who may not fly or is on already', () => {
    const any = fc.array(
      fc.record({
        usedRatio: fc.double({ min: 0, max: 2, noNaN: true }),
        isOn: fc.boolean(),
        isResting: fc.boolean(),
        isComplete: fc.boolean(),
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(any, (sets) => {
        const named = sets.map((s, i) => ({ ...s, id: String(i) }));
        const { order, nextId } = rotation(named);
        const used = order.map((id) => named.find((s) => s.id === id)!.usedRatio);
        expect(used).toEqual([...used].sort((a, b) => a - b));
        if (nextId !== null)
          expect(named.find((s) => s.id === nextId)).toMatchObject({ isOn: false, isResting: false, isComplete: true });
      }),
    );
  });
});
