import { Injectable } from '@nestjs/common';
import type { HeardPropView } from '@zivvo/contract';
import {
  correctSound,
  evaluateCandidate,
  levelAtDistance,
  modelGeometry,
  PICK_LISTENER,
  type SoundCorrection,
  type SoundRanking,
} from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import type { ListeningRow } from './listen.repository.ts';

type Predicted = Pick<HeardPropView, 'predictedDb' | 'riseTimeS'>;

/** What the model says of props that were listened to, and what the takes do to it. */
@Injectable()
export class PredictedSounds {
  constructor(private readonly rotors: CraftRotors) {}

  /** @param hovering - levels at the craft's hover, absolute; null where there are none to hold predictions against */
  beside(
    craft: CraftRow,
    listening: Pick<ListeningRow, 'heardOn' | 'distanceM'>,
    props: readonly { soundKey: string; bladeCount: number; model: PropModelRow }[],
    hovering: SoundRanking | null,
  ): { correction: SoundCorrection; of: (soundKey: string) => Predicted } {
    const prepared = this.rotors.of(craft);
    const predicted = new Map(
      props.map(({ soundKey, bladeCount, model }) => {
        const { figures } = evaluateCandidate(prepared, { ...modelGeometry(model), bladeCount });
        const all = levelAtDistance(figures.levelDb, PICK_LISTENER.distanceM, listening.distanceM);
        const predictedDb = listening.heardOn === 'stand' ? all - 10 * Math.log10(craft.rotors.length) : all;
        return [soundKey, { predictedDb: finite(predictedDb), riseTimeS: finite(figures.riseTimeS) }] as const;
      }),
    );
    const correction = correctSound(
      (hovering?.sounds ?? []).flatMap(({ soundKey, levelDb, isExtended }) => {
        const predictedDb = predicted.get(soundKey)?.predictedDb ?? null;
        // A level that was not heard near the hover corrects nothing.
        return predictedDb === null || isExtended ? [] : [{ measuredDb: levelDb, predictedDb }];
      }),
    );
    return {
      correction,
      of: (soundKey) => predicted.get(soundKey) ?? { predictedDb: null, riseTimeS: null },
    };
  }
}

const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);
