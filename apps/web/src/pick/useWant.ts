import type { CraftView } from '@zivvo/contract';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import { failureOf } from '../shared/api/api.ts';
import {
  useCreatePropModelMutation,
  useRemovePropModelMutation,
  useWantPropModelMutation,
} from '../shared/api/rackApi.ts';
import { announce, announceDeletion } from '../shared/ui/undo.ts';
import type { PickProp } from './pickProps.ts';

/** Puts a set of a prop on the list of what to buy, with the way back; a size that is not on the rack joins it. */
export function useWant(craft: CraftView): (prop: PickProp) => Promise<void> {
  const [create] = useCreatePropModelMutation();
  const [want] = useWantPropModelMutation();
  const [remove] = useRemovePropModelMutation();
  return useCallback(
    async (prop) => {
      const count = craft.rotors.length;
      const id = prop.model?.id ?? v7();
      const { diameterM, pitchM, bladeCount, tipShape, material } = prop.geometry;
      try {
        if (!prop.model) {
          await create({
            id,
            label: prop.name.replaceAll('×', 'x'),
            makerName: null,
            diameterM,
            pitchM,
            bladeCount,
            tipShape,
            material,
            labelHand: null,
            measuredDiameterM: null,
            measuredMassKg: null,
            speedLimitRpm: null,
            boreDiameterM: null,
            mountKind: null,
            hubThicknessM: null,
            cwLetters: null,
            ccwLetters: null,
            cutFromModelId: null,
            bagPrice: null,
            bagCount: null,
            colour: null,
            note: null,
          }).unwrap();
        }
        await want({ id, body: { count, craftId: craft.id } }).unwrap();
      } catch (error) {
        return announce(`${prop.name} could not be put on the list. ${failureOf(error).detail}`);
      }
      const before = { count: prop.model?.wantedCount ?? 0, craftId: prop.model?.wantedCraftId ?? null };
      void announceDeletion(
        `${count} of ${prop.name} are wanted for ${craft.name}.`,
        () => void (prop.model ? want({ id, body: before }) : remove(id)),
      );
    },
    [craft, create, want, remove],
  );
}
