import type { FlightReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What Fly says, in words. */
export const flySentences: Sentences<FlightReasons> = {
  'fly.refly.protocol': (p) =>
    `Flown by protocol ${p.number('version')}, and ${p.number('current')} is in force: fly it again.`,
  'fly.refly.payload': (p) =>
    `Flown with ${p.grams('payloadKg')} of payload, most with ${p.grams('usualKg')}: it is not held against them.`,
  'fly.refly.noPack': () => 'No pack is named: what climbed so is not known. Fly it again, or name the pack.',
  'fly.refly.lowPack': (p) =>
    `Taken off at ${p.number('restV', 2)} V a cell, under the gate of ${p.number('leastV', 2)} V: fly it again ` +
    'on a full pack.',
  'fly.refly.wind': (p) =>
    `${p.speed('wind')} of wind, more than ${p.speed('most')}: it says more of the air than of the prop.`,
  'fly.refly': (p) =>
    p.text('count') === '1'
      ? '1 card is to be flown again; until then it does not count.'
      : `${p.number('count')} cards are to be flown again; until then they do not count.`,
  'fly.climbsMore': (p) => `${p.text('name')} climbs ${p.share('ratio')} faster than the reference.`,
  'fly.climbsLess': (p) => `${p.text('name')} climbs ${p.share('ratio')} slower than the reference.`,
  'fly.faster': (p) => `${p.text('name')} flies ${p.share('ratio')} faster at full throttle.`,
  'fly.longer': (p) => `${p.text('name')} stays up ${p.share('ratio')} longer until the landing gate.`,
  'fly.shorter': (p) => `${p.text('name')} stays up ${p.share('ratio')} shorter until the landing gate.`,
  'fly.drawsMore': (p) =>
    `${p.text('name')} draws ${p.share('ratio')} more at full throttle than the ${p.number('expectedA', 1)} A ` +
    `that its stand run lets expect at an advance ratio of ${p.number('advanceRatio', 2)}: look for a hot ` +
    'motor, a slipping nut, and hold both ammeters against each other.',
  'fly.drawsLess': (p) =>
    `${p.text('name')} draws ${p.share('ratio')} less at full throttle than the ${p.number('expectedA', 1)} A ` +
    `that its stand run lets expect at an advance ratio of ${p.number('advanceRatio', 2)}: a pack that sags, ` +
    'or not all of the throttle.',
  'fly.same': (p) => `${p.text('name')} and the reference cannot be told apart in the climb.`,
  'fly.repeat': (p) => `Nothing was flown twice, so nothing is told of ${p.text('name')}: fly each prop once more.`,
  'fly.tracksAlike': (p) =>
    `On ${p.text('count') === '1' ? 'a flight' : `${p.number('count')} flights`} the passes lie within 120°: ` +
    'fly opposite ones, or three headings all round.',
  'fly.angleNotHeld': (p) =>
    `${p.text('name')} could not hold the angle of the climb ` +
    `${p.text('count') === '1' ? 'once' : `${p.number('count')} times`}: that is a result too.`,
  'fly.stop.none': () => 'Fly: no flight by protocol yet',
  'fly.stop.once': (p) =>
    p.text('count') === '1'
      ? 'Fly: flown once, with one prop'
      : `Fly: ${p.number('count')} flown, none twice with one prop`,
  'fly.stop.refly': (p) => `Fly: ${p.number('count')} to fly again`,
  'fly.stop.flown': (p) =>
    `Fly: ${p.number('count')} flights count, ` +
    `${p.text('props') === '1' ? 'one prop' : `${p.number('props')} props`} flew twice or more`,
};
