import type { ListeningDto } from '@zivvo/contract';

export const methodNames: Record<ListeningDto['method'], string> = {
  meter: 'a sound level meter',
  recording: 'a recording',
  walkAway: 'walking away',
};

export const surfaceNames: Record<ListeningDto['surface'], string> = {
  grass: 'grass',
  snow: 'snow',
  gravel: 'gravel',
  hard: 'hard ground',
  indoors: 'indoors',
};

export const heardOnNames: Record<ListeningDto['heardOn'], string> = {
  craft: 'the craft in hover',
  stand: 'one rotor on the stand',
};
