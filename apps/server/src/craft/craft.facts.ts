import type { RotorPlace } from '@zivvo/core';

/** What of an arm is not as it was. */
export type ArmChange = 'piece' | 'hand' | 'face' | 'spin' | 'table';

declare module '../event/facts.ts' {
  interface Facts {
    /**
     * An arm is not as it was: its piece, the hand or face of an untagged one, the motor's spin, its place in the
     * controller's table.
     */
    armChanged: { craftId: string; place: RotorPlace; level: number; what: ArmChange };
  }
}
