/** Codes of what Fly says, each with the names of its values; its words are in the words room. */
export interface FlightReasons {
  'fly.refly.protocol': 'version' | 'current';
  'fly.refly.payload': 'payloadKg' | 'usualKg';
  'fly.refly.noPack': never;
  'fly.refly.lowPack': 'restV' | 'leastV';
  'fly.refly.wind': 'wind' | 'most';
  'fly.refly': 'count';
  'fly.climbsMore': 'name' | 'ratio';
  'fly.climbsLess': 'name' | 'ratio';
  'fly.faster': 'name' | 'ratio';
  'fly.longer': 'name' | 'ratio';
  'fly.shorter': 'name' | 'ratio';
  'fly.drawsMore': 'name' | 'ratio' | 'advanceRatio' | 'expectedA';
  'fly.drawsLess': 'name' | 'ratio' | 'advanceRatio' | 'expectedA';
  'fly.same': 'name';
  'fly.repeat': 'name';
  'fly.tracksAlike': 'count';
  'fly.angleNotHeld': 'name' | 'count';
  'fly.stop.none': never;
  'fly.stop.once': 'count';
  'fly.stop.refly': 'count';
  'fly.stop.flown': 'count' | 'props';
}

declare module '../figure/reason.ts' {
  interface Reasons extends FlightReasons {}
}
