import { expect, test } from '@jest/globals';
import { databaseProblem } from './databaseProblem.ts';

test.each<[string, object, number, string, string | undefined]>([
  ['a deadlock', { code: '40P01' }, 409, 'crossed', undefined],
  ['no order of two', { code: '40001' }, 409, 'crossed', undefined],
  [
    'a second piece on an arm',
    { code: '23505', constraint: 'piece_life_arm_unique', table: 'piece_life' },
    409,
    'alreadyThere',
    'arm',
  ],
  [
    'a craft that is not there',
    { code: '23503', constraint: 'piece_life_craft_id_craft_id_fk', table: 'piece_life' },
    422,
    'unknownReference',
    'craftId',
  ],
])('%s is a problem of the request, however deep it lies', (_what, fault, status, code, path) => {
  const problem = databaseProblem(new Error('Failed query', { cause: fault }));
  expect(problem).toMatchObject({ status, code });
  expect(problem!.fields[0]?.path).toBe(path);
});

test('what is nobody’s fault is not explained away', () => {
  for (const error of [null, 'text', new Error('x'), { code: 'XX000' }]) expect(databaseProblem(error)).toBeNull();
});
