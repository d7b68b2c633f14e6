import type { LineStation } from '@zivvo/core';
import { IconCompass, IconDrone, IconGauge, IconHeartbeat, IconPropeller, IconRotate360, IconScale, type Icon } from '@tabler/icons-react';

/** A place of work in the rail; a station joins when it exists. */
export interface Station {
  name: string;
  path: string;
  /** Letter behind `g`. */
  letter: string;
  icon: Icon;
  /** Whether a stop of the line stands beside it. */
  stop: LineStation | null;
}

export const stations: readonly Station[] = [
  { name: 'Crafts', path: '/crafts', letter: 'c', icon: IconDrone, stop: null },
  { name: 'Rack', path: '/rack', letter: 'r', icon: IconPropeller, stop: null },
  { name: 'Pick', path: '/pick', letter: 'p', icon: IconCompass, stop: 'pick' },
  { name: 'Balance', path: '/balance', letter: 'b', icon: IconScale, stop: 'balance' },
  { name: 'Fit', path: '/fit', letter: 'i', icon: IconRotate360, stop: 'fit' },
  { name: 'Stand', path: '/stand', letter: 's', icon: IconGauge, stop: 'stand' },
  { name: 'Care', path: '/care', letter: 'a', icon: IconHeartbeat, stop: null },
];
