import { lookSides, type CraftView } from '@zivvo/contract';
import type { Shed } from './shed.ts';

/** A look over every arm of a craft before it flies; a scrape is seen on the last one where one is to be found. */
export async function lookOver(
  shed: Shed,
  craft: CraftView,
  id: string,
  secondsAProp: number,
  hasScrape = false,
): Promise<void> {
  const looks = craft.rotors.map(({ place, level }, i) => ({
    place,
    level,
    seen: [...lookSides],
    photoSha256: null,
    findings:
      hasScrape && i === craft.rotors.length - 1 ? [{ place: 'underside' as const, what: 'scrape' as const }] : [],
  }));
  await shed.walks.walkRound(craft.id, { id, durationS: secondsAProp * looks.length, looks, note: null });
}
