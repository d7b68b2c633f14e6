import { listenLimits, type CraftView, type ListeningView, type PropModelView } from '@zivvo/contract';
import { sonicTipRpm } from '@zivvo/core';
import { useEffect, useState } from 'react';
import { numberIn } from '../shared/forms/numberIn.ts';
import { toldShares } from '../shared/worker/toldShares.ts';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import { soundProblem } from './listenView.ts';
import type { HeardBlades, HeardFile } from './listenWork.ts';
import { bladesOf, type TakeEntry } from './takeEntry.ts';
import { useListenWork } from './useListenWork.ts';

export type HeardSoundState = ReturnType<typeof useHeardSound>;

/** A file, what was heard in it, and what the blades of the chosen prop say in it. */
export function useHeardSound(
  entry: TakeEntry,
  model: PropModelView | undefined,
  craft: CraftView,
  listening: ListeningView,
) {
  const work = useListenWork();
  const [file, setFile] = useState<File | null>(null);
  const [heard, setHeard] = useState<HeardFile | null>(null);
  const [answer, setAnswer] = useState<{ question: string; blades: HeardBlades | null } | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const hear = async (taken: File): Promise<void> => {
    setFile(taken);
    setHeard(null);
    setAnswer(null);
    setProblem(null);
    setShare(0);
    const shares = toldShares(setShare);
    try {
      setHeard(await work.ask((w) => w.hear(taken, shares.tell)));
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setFile(null);
      setProblem(soundProblem(error.problem));
    }
    shares.end();
    setShare(null);
  };
  const bladeCount = bladesOf(entry, model);
  const roughRpm = numberIn(entry.roughRpm, listenLimits.rpm).value;
  const rotorCount = listening.heardOn === 'stand' ? 1 : Math.min(8, craft.rotors.length);
  const diameterM = model?.diameterM ?? null;
  // What was found belongs to one question: another prop or speed is another one.
  const isAsked = heard !== null && diameterM !== null && bladeCount >= 1;
  const question = `${bladeCount}/${roughRpm}/${rotorCount}/${diameterM}`;
  useEffect(() => {
    if (heard === null || diameterM === null || bladeCount < 1) return;
    let isGone = false;
    const found = (blades: HeardBlades | null): void => {
      if (!isGone) setAnswer({ question, blades });
    };
    work
      .ask((w) => w.blades({ bladeCount, roughRpm, rotorCount, mostRpm: sonicTipRpm(diameterM) }))
      .then(found, () => found(null));
    return () => {
      isGone = true;
    };
  }, [work, heard, question, bladeCount, roughRpm, rotorCount, diameterM]);
  const forget = (): void => {
    setFile(null);
    setHeard(null);
    setAnswer(null);
    setProblem(null);
  };
  const isAnswered = answer?.question === question;
  return {
    file,
    heard,
    blades: isAsked && isAnswered ? answer.blades : null,
    share,
    /** The file, or the blades in it, are being read still. */
    isReading: share !== null || (isAsked && !isAnswered),
    problem,
    hear,
    forget,
    stop: () => work.stop(),
  };
}
