import type { TakeView } from '@zivvo/contract';
import { useEffect, useRef, useState } from 'react';
import { storedFile } from '../shared/api/blobFile.ts';
import { matchedGain, type Pair } from './blindPairs.ts';

/** So long of each is heard [s]. */
const HEARD_S = 5;

/** Plays the recordings of a pair at one level, one at a time. */
export function useLevelMatched(pair: Pair) {
  const context = useRef<AudioContext | null>(null);
  const source = useRef<AudioBufferSourceNode | null>(null);
  const buffers = useRef(new Map<string, AudioBuffer>());
  const [playingId, setPlayingId] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = (): void => {
    source.current?.stop();
    source.current = null;
    setPlayingId(null);
  };
  const play = async (take: TakeView): Promise<boolean> => {
    stop();
    setProblem(null);
    try {
      const player = (context.current ??= new AudioContext());
      const known = buffers.current.get(take.id);
      const buffer =
        known ?? (await player.decodeAudioData(await (await storedFile(take.soundSha256!, 'take')).arrayBuffer()));
      buffers.current.set(take.id, buffer);
      const gain = player.createGain();
      gain.gain.value = matchedGain(take, pair);
      const node = player.createBufferSource();
      node.buffer = buffer;
      node.connect(gain).connect(player.destination);
      node.onended = () => setPlayingId((id) => (id === take.id ? null : id));
      node.start(0, 0, HEARD_S);
      source.current = node;
      setPlayingId(take.id);
      return true;
    } catch (error) {
      setProblem(`It cannot be played here: ${(error as Error).message}`);
      return false;
    }
  };
  useEffect(
    () => () => {
      source.current?.stop();
      void context.current?.close();
    },
    [],
  );
  return { play, stop, playingId, problem };
}
