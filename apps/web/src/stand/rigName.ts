import type { StandRigView } from '@zivvo/contract';

/** What a rig is called: its kit, or motor and cells of the craft as it is described. */
export const rigName = ({ name, motorLabel, seriesCount }: StandRigView): string =>
  name ?? `${motorLabel}, ${seriesCount}S`;
