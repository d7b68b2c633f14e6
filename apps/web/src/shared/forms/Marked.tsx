import type { EvidenceMark } from '@zivvo/core';
import { EvidenceDot } from '../ui/EvidenceDot.tsx';

/** A field's label, with the mark of what stands in it where that is not simply typed. */
export function Marked({ label, mark }: { label: string; mark?: EvidenceMark }) {
  return (
    <>
      {label} {mark && <EvidenceDot mark={mark} />} {mark === 'estimated' && <span className="muted">estimated</span>}
    </>
  );
}
