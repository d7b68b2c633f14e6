import type { CraftView } from '@zivvo/contract';
import type { ReactNode } from 'react';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { useKit, type KittedView } from './useKit.ts';

/** A page of Pick on the craft in hand, as the kit in the address makes it. */
export function WithKit({ children }: { children: (craft: KittedView) => ReactNode }) {
  return <WithCraft station="Pick">{(craft) => <Kitted craft={craft}>{children}</Kitted>}</WithCraft>;
}

function Kitted({ craft, children }: { craft: CraftView; children: (craft: KittedView) => ReactNode }) {
  return children(useKit(craft).flown);
}
