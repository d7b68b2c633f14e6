import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Severity } from '../figure/reason.ts';
import { benchJobs, byUrgency, jobsFor, type BenchJob, type DueItem } from './due.ts';

const item = (code: DueItem['reason']['code'], severity: Severity): DueItem => ({
  reason: { code, severity, values: {}, figure: null },
  path: '/care',
  craftId: null,
});
const job = (minutes: number, severity: Severity = 'action'): BenchJob => ({
  ...item('due.ticket', severity),
  minutes,
});

test('the gravest stands first, and what is alike keeps its order', () => {
  const items = [item('due.buy', 'note'), item('due.checkIn', 'action'), item('care.grounded', 'danger')];
  expect(byUrgency([...items, item('due.ticket', 'action')]).map((i) => i.reason.code)).toEqual([
    'care.grounded',
    'due.checkIn',
    'due.ticket',
    'due.buy',
  ]);
});

test('what needs the field or a shop is no job for the bench', () => {
  const jobs = benchJobs([item('due.buy', 'note'), item('due.checkIn', 'action'), item('care.untrued', 'action')]);
  expect(jobs.map((j) => [j.reason.code, j.minutes])).toEqual([
    ['due.checkIn', 15],
    ['care.untrued', 20],
  ]);
});

test('jobs are taken by their weight while the minutes last; a short one slips in behind a long one', () => {
  const [long, short, grave] = [job(45), job(10), job(20, 'danger')];
  expect(jobsFor([long, short, grave], 30)).toEqual([grave, short]);
  expect(jobsFor([long, short, grave], 120)).toEqual([grave, long, short]);
  expect(jobsFor([long], 0)).toEqual([]);
});

test('never more minutes than there are, and never nothing where one job fits', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 90 }), { maxLength: 20 }),
      fc.integer({ min: 0, max: 240 }),
      (all, minutes) => {
        const chosen = jobsFor(
          all.map((m) => job(m)),
          minutes,
        );
        expect(chosen.reduce((sum, j) => sum + j.minutes, 0)).toBeLessThanOrEqual(minutes);
        expect(chosen.length > 0).toBe(all.some((m) => m <= minutes));
      },
    ),
  ));
