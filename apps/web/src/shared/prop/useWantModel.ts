import type { CraftView, PropModelView } from '@zivvo/contract';
import { handsNeeded } from '@zivvo/core';
import { handsText } from '@zivvo/words';
import { useCallback } from 'react';
import { failureOf } from '../api/api.ts';
import { useWantPropModelMutation } from '../api/rackApi.ts';
import { announce, announceDeletion } from '../ui/undo.ts';

/**
 * What is put on the list: a model, its name in sentences, and the way back where it is not as it was wanted before.
 */
interface Wanted {
  id: string;
  name: string;
  before: Pick<PropModelView, 'wantedCount' | 'wantedCraftId'>;
  undo?: () => void;
}

/** Puts a set of a model on the list of what to buy for a craft, with the way back; what is refused is told. */
export function useWantModel(craft: CraftView): (wanted: Wanted) => Promise<void> {
  const [want] = useWantPropModelMutation();
  return useCallback(
    async ({ id, name, before, undo }) => {
      const count = craft.rotors.length;
      try {
        await want({ id, body: { count, craftId: craft.id } }).unwrap();
      } catch (error) {
        return announce(`${name} could not be put on the list. ${failureOf(error).detail}`);
      }
      const backTo = { count: before.wantedCount, craftId: before.wantedCraftId };
      void announceDeletion(
        `${count} of ${name} are wanted for ${craft.name}: ${handsText(handsNeeded(craft.rotors, craft.kind))}.`,
        undo ?? (() => void want({ id, body: backTo })),
      );
    },
    [craft, want],
  );
}
