import type { CraftView } from '@zivvo/contract';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import { failureOf } from '../shared/api/api.ts';
import { useCreatePropModelMutation, useRemovePropModelMutation } from '../shared/api/rackApi.ts';
import { useWantModel } from '../shared/prop/useWantModel.ts';
import { announce } from '../shared/ui/undo.ts';
import type { PickProp } from './pickProps.ts';

/** Puts a set of a prop on the list of what to buy, with the way back; a size that is not on the rack joins it. */
export function useWant(craft: CraftView): (prop: PickProp) => Promise<void> {
  const [create] = useCreatePropModelMutation();
  const [remove] = useRemovePropModelMutation();
  const wantModel = useWantModel(craft);
  return useCallback(
    async ({ model, name, geometry }) => {
      if (model) return wantModel({ id: model.id, name, before: model });
      const id = v7();
      const { diameterM, pitchM, bladeCount, tipShape, material } = geometry;
      try {
        await create({
          id,
          label: name.replaceAll('×', 'x'),
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
      } catch (error) {
        return announce(`${name} could not be put on the list. ${failureOf(error).detail}`);
      }
      return wantModel({
        id,
        name,
        before: { wantedCount: 0, wantedCraftId: null },
        undo: () => void remove(id),
      });
    },
    [create, remove, wantModel],
  );
}
