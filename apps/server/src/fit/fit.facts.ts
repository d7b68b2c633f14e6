import type { Reason } from '@zivvo/core';

declare module '../event/facts.ts' {
  interface Facts {
    /** `missing`: what kept the craft down beside its signature; older facts do not tell. */
    fittingConfirmed: { craftId: string; verdict: string; note: string | null; missing?: Reason[] };
  }
}
