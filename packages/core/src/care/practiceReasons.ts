/** Codes of what drills says, each with the names of its values; its words are in the words room. */
export interface PracticeReasons {
  'drill.label': 'label' | 'diameterM' | 'pitchM' | 'bladeCount';
  'drill.hand': 'leadingEdge' | 'hollow' | 'hand';
  'drill.armOne': 'place' | 'toward';
  'drill.armSwapped': 'place' | 'other' | 'toward';
  'drill.tapeOne': 'heavyDegrees' | 'lightDegrees' | 'blades';
  'drill.tapeTwo': 'heavyDegrees' | 'lightDegrees' | 'blades';
}

declare module '../figure/reason.ts' {
  interface Reasons extends PracticeReasons {}
}
