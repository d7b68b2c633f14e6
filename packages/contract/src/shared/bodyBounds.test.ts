import { describe, expect, test } from '@jest/globals';
import { CreateCraftDto, CreateWalkaroundDto, SaveDraftDto, UpdateBalanceJobDto } from '../index.ts';
import { overfull } from './bodyBounds.ts';

const many = <T>(count: number, item: T): T[] => Array.from({ length: count }, () => item);

describe('what is too long is found before any rule is tried', () => {
  test.each<[string, new () => object, object, string]>([
    ['a list', CreateWalkaroundDto, { looks: many(16_000, {}) }, 'looks'],
    [
      'a list in a list of bodies',
      UpdateBalanceJobDto,
      { observations: [{ tape: many(200, 1) }] },
      'observations.0.tape',
    ],
    ['a list of texts', SaveDraftDto, { cells: many(5000, ['1']) }, 'cells'],
    ['a list in a list', SaveDraftDto, { cells: [many(5000, '1')] }, 'cells.0'],
    ['a list that no rule knows', CreateCraftDto, { nobody: many(501, 1) }, 'nobody'],
    ['a body with too many keys', CreateCraftDto, Object.fromEntries(many(201, 0).map((_, i) => [`k${i}`, i])), 'body'],
    [
      'a body inside with too many keys',
      CreateWalkaroundDto,
      { looks: [Object.fromEntries(many(201, 0).map((_, i) => [`k${i}`, i]))] },
      'looks.0',
    ],
  ])('%s', (_what, dto, body, path) =>
    expect(overfull(dto, body)).toMatchObject({ path, allowed: { max: expect.any(Number) } }),
  );
});

test('what fits is left to the rules, whatever it is', () => {
  expect(overfull(CreateWalkaroundDto, { looks: many(4, { place: 'front', findings: [] }) })).toBeNull();
  expect(overfull(UpdateBalanceJobDto, { looks: [{ tape: [0, 1, 0] }], runs: null, swings: 'none' })).toBeNull();
  for (const body of [null, 7, 'text', [], {}]) expect(overfull(CreateCraftDto, body)).toBeNull();
});
