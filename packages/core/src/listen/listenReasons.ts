/** Codes of what Listen says, each with the names of its values; its words are in the words room. */
export interface ListenReasons {
  'listen.noBackground': never;
  'listen.underBackground': 'count' | 'leastDb';
  'listen.corrected': 'count';
  'listen.clipped': 'count';
  'listen.noThrust': 'count';
  'listen.bracket': 'name';
  'listen.drift': 'name' | 'db';
  'listen.noReference': never;
  'listen.relative': never;
  'listen.walked': never;
  'listen.quieter': 'name' | 'db' | 'halfDb';
  'listen.louder': 'name' | 'db' | 'halfDb';
  'listen.same': 'name' | 'halfDb';
  'listen.extended': 'name';
  'listen.fewerBlades': 'few' | 'many' | 'db' | 'halfDb';
  'listen.moreBlades': 'few' | 'many' | 'db' | 'halfDb';
  'listen.bladesAlike': 'few' | 'many' | 'halfDb';
  'listen.stop.none': never;
  'listen.stop.once': 'takes';
  'listen.stop.heard': 'takes' | 'props';
}

declare module '../figure/reason.ts' {
  interface Reasons extends ListenReasons {}
}
