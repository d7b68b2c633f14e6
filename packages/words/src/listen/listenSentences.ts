import type { ListenReasons } from '@zivvo/core';
import type { Pen, Sentences } from '../pen.ts';

const takes = (p: Pen<'count'>): string => (p.text('count') === '1' ? '1 take' : `${p.number('count')} takes`);
const it = (p: Pen<'count'>): string => (p.text('count') === '1' ? 'it does' : 'they do');
const isAre = (p: Pen<'count'>): string => (p.text('count') === '1' ? 'is' : 'are');

/** What Listen says, in words. */
export const listenSentences: Sentences<ListenReasons> = {
  'listen.noBackground': () =>
    'The place alone was not listened to: what it adds is still in every level. Take it before the props turn.',
  'listen.underBackground': (p) =>
    `${takes(p)} ${isAre(p)} less than 3 dB above the place: ${it(p)} not count. Go nearer, or wait until it ` +
    `is under ${p.number('leastDb')} dB there.`,
  'listen.corrected': (p) =>
    `${takes(p)} ${isAre(p)} within 10 dB of the place; what it adds was taken out, survey grade.`,
  'listen.clipped': (p) => `${takes(p)} ${isAre(p)} cut off at full scale: ${it(p)} not count. Turn the gain down.`,
  'listen.noThrust': (p) => `${takes(p)} ${p.text('count') === '1' ? 'has' : 'have'} no thrust: ${it(p)} not count.`,
  'listen.bracket': (p) => `Take ${p.text('name')} first and last: only so a place that changes is seen.`,
  'listen.drift': (p) =>
    `${p.text('name')} moved by ${p.number('db', 1)} dB between its takes: the place changed, or something on ` +
    'the craft.',
  'listen.noReference': () => 'The reference was not listened to here: take it first and last.',
  'listen.relative': () => 'The microphone is not calibrated: differences hold, levels do not.',
  'listen.walked': () => 'By walking away: differences hold, levels do not.',
  'listen.quieter': (p) =>
    `${p.text('name')} is ${p.number('db', 1)} ± ${p.number('halfDb', 1)} dB quieter at equal thrust.`,
  'listen.louder': (p) =>
    `${p.text('name')} is ${p.number('db', 1)} ± ${p.number('halfDb', 1)} dB louder at equal thrust.`,
  'listen.same': (p) =>
    `${p.text('name')} and the reference cannot be told apart: ± ${p.number('halfDb', 1)} dB is what these ` +
    'takes allow.',
  'listen.extended': (p) => `${p.text('name')} was not listened to near this thrust: its level is extended.`,
  'listen.moreBlades': (p) =>
    `${p.number('many')} blades are ${p.number('db', 1)} ± ${p.number('halfDb', 1)} dB quieter here than ` +
    `${p.number('few')}, each the quietest of its kind at equal thrust.`,
  'listen.fewerBlades': (p) =>
    `${p.number('few')} blades are ${p.number('db', 1)} ± ${p.number('halfDb', 1)} dB quieter here than ` +
    `${p.number('many')}, each the quietest of its kind at equal thrust.`,
  'listen.bladesAlike': (p) =>
    `${p.number('few')} and ${p.number('many')} blades cannot be told apart at equal thrust (± ` +
    `${p.number('halfDb', 1)} dB).`,
  'listen.stop.none': () => 'Listen: no take yet',
  'listen.stop.once': (p) =>
    `Listen: ${p.text('takes') === '1' ? '1 take' : `${p.number('takes')} takes`}, nothing held against the reference`,
  'listen.stop.heard': (p) => `Listen: ${p.number('takes')} takes count, ${p.number('props')} props side by side`,
};
