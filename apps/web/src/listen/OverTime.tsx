import type { SoundPicture } from '@zivvo/core';
import { useState } from 'react';
import { storedFile } from '../shared/api/blobFile.ts';
import { Action } from '../shared/ui/Action.tsx';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import { soundProblem } from './listenView.ts';
import { SoundPictureView } from './SoundPictureView.tsx';
import { useListenWork } from './useListenWork.ts';

/** A kept recording over time, fetched and heard when somebody asks for it. */
export function OverTime({ sha256 }: { sha256: string }) {
  const work = useListenWork();
  const [picture, setPicture] = useState<SoundPicture | null>(null);
  const [isReading, setReading] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const show = async (): Promise<void> => {
    setReading(true);
    setProblem(null);
    try {
      const file = await storedFile(sha256, 'take.wav');
      setPicture((await work.ask((w) => w.hear(file, null))).picture);
    } catch (error) {
      setProblem(error instanceof WorkRefusal ? soundProblem(error.problem) : (error as Error).message);
    }
    setReading(false);
  };
  if (picture) return <SoundPictureView picture={picture} />;
  return (
    <>
      <Action weight="quiet" disabled={isReading} onClick={() => void show()}>
        {isReading ? 'Fetching it…' : 'Show it over time'}
      </Action>
      {problem !== null && (
        <p role="alert" style={{ color: 'var(--rust)', margin: 0 }}>
          {problem}
        </p>
      )}
    </>
  );
}
