import { balance } from '../balance/feature.ts';
import { care } from '../care/feature.ts';
import { craft } from '../craft/feature.ts';
import { fit } from '../fit/feature.ts';
import { pick } from '../pick/feature.ts';
import { rack } from '../rack/feature.ts';
import { fly } from '../fly/feature.ts';
import { judge } from '../judge/feature.ts';
import { listen } from '../listen/feature.ts';
import { settings } from '../settings/feature.ts';
import { stand } from '../stand/feature.ts';
import { today } from '../today/feature.ts';
import type { Feature, Station } from '../shared/feature.ts';

/** Every feature in the order of the work; a new one is added here. */
export const features: readonly Feature[] = [
  today,
  craft,
  rack,
  pick,
  balance,
  fit,
  stand,
  fly,
  listen,
  judge,
  care,
  settings,
];

export const stations: readonly Station[] = features.flatMap((f) => f.station ?? []);

/** Pages that the finder leads to. */
export const pages = features.flatMap((f) => f.pages);
