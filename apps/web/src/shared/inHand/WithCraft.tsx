import type { CraftView } from '@zivvo/contract';
import type { ReactNode } from 'react';
import { neighbourDistanceM } from '@zivvo/core';
import { useCraftQuery, useCraftsQuery } from '../api/craftApi.ts';
import { InMillimetres } from '../format/useFormat.ts';
import { Action, ActionLink } from '../ui/Action.tsx';
import { EmptyPage, Ready } from '../ui/PageStates.tsx';
import { StationPage } from '../ui/StationPage.tsx';
import { useInHand } from './useInHand.ts';

interface WithCraftProps {
  /** The station, for the eyebrow. */
  station: string;
  /** What the station needs a craft for. */
  children: (craft: CraftView) => ReactNode;
}

/** A station that works on the craft in hand; without one it offers those on the shelf. */
export function WithCraft({ station, children }: WithCraftProps) {
  const { craftId } = useInHand();
  const query = useCraftQuery(craftId ?? '', { skip: craftId === null });
  return craftId === null ? (
    <ChooseCraft station={station} />
  ) : (
    <Ready query={query}>{(craft) => <InMillimetres value={isTiny(craft)}>{children(craft)}</InMillimetres>}</Ready>
  );
}

/** Discs smaller than this are spoken of in millimetres. */
const TINY_M = 0.06;

function isTiny({ clearanceDiameterM, rotors }: CraftView): boolean {
  return (clearanceDiameterM ?? neighbourDistanceM(rotors) ?? Infinity) < TINY_M;
}

function ChooseCraft({ station }: { station: string }) {
  const { take, to } = useInHand();
  const query = useCraftsQuery();
  return (
    <Ready query={query}>
      {({ items }) => (
        <StationPage
          eyebrow={station}
          headline={items.length === 0 ? 'No craft on the shelf yet' : 'Which craft is on the bench?'}
        >
          <EmptyPage
            title={items.length === 0 ? 'Describe a craft first' : 'Take one in hand'}
            actions={
              <>
                {items.map((c) => (
                  <Action
                    key={c.id}
                    weight={items.length === 1 ? 'main' : 'plain'}
                    onClick={() => take({ craftId: c.id })}
                  >
                    {c.name}
                  </Action>
                ))}
                <ActionLink weight={items.length === 0 ? 'main' : 'plain'} to={to('/crafts/new')}>
                  New craft
                </ActionLink>
              </>
            }
          >
            <p>This station works out numbers for one craft: its weight, its motor, its pack, its room.</p>
          </EmptyPage>
        </StationPage>
      )}
    </Ready>
  );
}
