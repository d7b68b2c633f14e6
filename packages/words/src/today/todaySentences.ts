import type { TodayReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What Today says, in words. */
export const todaySentences: Sentences<TodayReasons> = {
  'due.buy': (p) =>
    `${p.number('count')} of ${p.text('name')} are ` +
    `wanted${p.text('craft') === '' ? '' : ` for ${p.text('craft')}: ${p.text('hands')}`}.`,
  'due.checkIn': (p) =>
    `${p.text('count') === '1' ? '1 piece' : `${p.number('count')} pieces`} of ` +
    `${p.text('name')}${p.text('supplier') === '' ? '' : ` from ${p.text('supplier')}`} ` +
    `${p.text('count') === '1' ? 'waits' : 'wait'} to be checked in.`,
  'due.evening': (p) => `${p.text('name')}: ${p.number('done')} of ${p.number('of')} runs are done.`,
  'due.ticket': (p) =>
    `“${p.text('complaint')}” is open ` +
    `${p.text('days') === '0' ? 'since today' : p.text('days') === '1' ? 'since yesterday' : `for ${p.number('days')} days`}.`,
  'due.judge': (p) =>
    p.text('count') === '1'
      ? '1 reading came in since the last verdict.'
      : `${p.number('count')} readings came in since the last verdict.`,
};
