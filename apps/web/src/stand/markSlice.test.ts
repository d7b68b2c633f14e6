import { expect, test } from '@jest/globals';
import { markSlice, marksCleared, propMarkToggled } from './markSlice.ts';

test('five props at most are marked, the oldest goes first; marking twice unmarks', () => {
  const mark = (ids: string[]): string[] =>
    ids.reduce((marks, id) => markSlice.reducer(marks, propMarkToggled(id)), [] as string[]);
  expect(mark(['a', 'b', 'a'])).toEqual(['b']);
  expect(mark(['a', 'b', 'c', 'd', 'e', 'f'])).toEqual(['b', 'c', 'd', 'e', 'f']);
  expect(markSlice.reducer(['a'], marksCleared())).toEqual([]);
});
