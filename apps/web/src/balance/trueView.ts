/** A place in words: blades count from the marked one, the hub's sides from there clockwise. */
export function placeName(kind: 'blade' | 'hub', index: number, bladeCount: number): string {
  return kind === 'blade' ? `blade ${index + 1}` : index === bladeCount ? 'the hub, right of blade 1' : 'the hub, left of blade 1';
}
