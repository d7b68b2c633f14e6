import type { CraftView, KitDto } from '@zivvo/contract';
import { withKit } from '@zivvo/core';
import { useMemo } from 'react';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';

/** A craft as one of its kits makes it; without one as it is described. */
export interface KittedView extends CraftView {
  kit: KitDto | null;
}

/** A craft with a kit; the same craft and kit give the same object in one memo. */
export function kitted(craft: CraftView, kit: KitDto | null): KittedView {
  return kit === null
    ? { ...craft, kit }
    : {
        ...withKit(craft, kit),
        estimatedFields: [...withKit(craft, kit).estimatedFields] as CraftView['estimatedFields'],
        kit,
      };
}

/** The kit that the address names, and the craft with it. */
export function useKit(craft: CraftView): {
  flown: KittedView;
  kitId: string | null;
  takeKit: (id: string | null) => void;
} {
  const [named, takeKit] = useAddressParam('kit');
  const kit = craft.kits.find((k) => k.id === named) ?? null;
  const flown = useMemo(() => kitted(craft, kit), [craft, kit]);
  return { flown, kitId: kit?.id ?? null, takeKit };
}
