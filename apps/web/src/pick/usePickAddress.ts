import { propMaterials, tipShapes, type PickFamily, type PropGeometry } from '@zivvo/core';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';

/** Most props side by side. */
const MOST_COMPARED = 5;

/** What is looked at on the pages of Pick, as far as the address owns it. */
export interface PickAddress {
  family: PickFamily;
  setFamily: (family: PickFamily) => void;
  chosenId: string | null;
  choose: (id: string | null) => void;
  marked: string[];
  toggleMark: (id: string) => void;
  /** Whether only props count of which the rack holds a set. */
  isRackOnly: boolean;
  setRackOnly: (isRackOnly: boolean) => void;
  /** Marks, choice and kit as parameters for another page. */
  params: string;
}

/** Family, chosen prop and marks from the address; the family of the present prop where none is named. */
export function usePickAddress(present: PropGeometry | null): PickAddress {
  const [familyText, setFamilyText] = useAddressParam('family');
  const [chosenId, choose] = useAddressParam('at');
  const [rackText, setRackText] = useAddressParam('rack');
  const [search, setSearch] = useSearchParams();
  const withText = search.get('with') ?? '';
  const kit = search.get('kit');
  const marked = useMemo(
    () => [...new Set(withText.split('~').filter((id) => id !== ''))].slice(0, MOST_COMPARED),
    [withText],
  );
  const family = useMemo(() => familyAt(familyText, present), [familyText, present]);
  const setFamily = useCallback(
    (f: PickFamily) => setFamilyText(`${f.bladeCount}-${f.tipShape}-${f.material}`),
    [setFamilyText],
  );
  const toggleMark = useCallback(
    (id: string) =>
      setSearch(
        (before) => {
          const ids = (before.get('with') ?? '').split('~').filter((i) => i !== '');
          const next = ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id].slice(-MOST_COMPARED);
          const after = new URLSearchParams(before);
          if (next.length === 0) after.delete('with');
          else after.set('with', next.join('~'));
          return after;
        },
        { replace: true },
      ),
    [setSearch],
  );
  const params = new URLSearchParams([
    ...(marked.length > 0 ? [['with', marked.join('~')]] : []),
    ...(chosenId === null ? [] : [['at', chosenId]]),
    ...(kit === null ? [] : [['kit', kit]]),
  ]).toString();
  return {
    family,
    setFamily,
    chosenId,
    choose,
    marked,
    toggleMark,
    isRackOnly: rackText === 'only',
    setRackOnly: (isRackOnly) => setRackText(isRackOnly ? 'only' : null),
    params,
  };
}

/** The family that an address names; without one that of the present prop. */
export function familyAt(text: string | null, present: PropGeometry | null): PickFamily {
  return readFamily(text) ?? familyOf(present);
}

function readFamily(text: string | null): PickFamily | null {
  const [blades, tip, material] = (text ?? '').split('-');
  const tipShape = tipShapes.find((t) => t === tip);
  const found = propMaterials.find((m) => m === material);
  const bladeCount = Number(blades);
  return tipShape && found && Number.isInteger(bladeCount) && bladeCount >= 2 && bladeCount <= 6
    ? { bladeCount, tipShape, material: found }
    : null;
}

function familyOf(present: PropGeometry | null): PickFamily {
  if (!present) return { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' };
  return {
    bladeCount: Math.min(6, Math.max(2, present.bladeCount)),
    tipShape: present.tipShape,
    material: present.material,
  };
}
