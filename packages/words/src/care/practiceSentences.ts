import type { PracticeReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What drills say, in words. */
export const practiceSentences: Sentences<PracticeReasons> = {
  'drill.label': (p) =>
    `${p.text('label')}: ${p.quantity('diameterM', 'length')} across, ${p.quantity('pitchM', 'length')} of ` +
    `pitch${p.text('bladeCount') === '0' ? '; the blades are not on it' : `, ${p.number('bladeCount')} blades`}.`,
  'drill.hand': (p) =>
    `The higher edge goes first: with it on the ${p.text('leadingEdge')}, a blade up and ` +
    `${p.text('hollow') === 'away' ? 'the label facing you' : 'the back facing you'}, the piece turns ` +
    `${p.text('hand').toUpperCase()}.`,
  'drill.armOne': (p) => `The piece on ${p.place('place')} pushes the wrong way: it tips toward ${p.toward('toward')}.`,
  'drill.armSwapped': (p) =>
    `${p.placeFirst('place')} and ${p.place('other')} are swapped: both push down, and it tips toward ` +
    `${p.toward('toward')}.`,
  'drill.tapeOne': (p) =>
    `Heavy at ${p.number('heavyDegrees')}°, so weight goes to ${p.number('lightDegrees')}°: that is blade ` +
    `${p.text('blades')}.`,
  'drill.tapeTwo': (p) =>
    `Heavy at ${p.number('heavyDegrees')}°, so weight goes to ${p.number('lightDegrees')}°, between two ` +
    `blades: never there, but shared onto ${p.text('blades').replace('+', ' and ')}.`,
};
