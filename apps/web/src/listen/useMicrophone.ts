import { useCallback, useEffect, useRef, useState } from 'react';

export type MicrophoneState = 'off' | 'asking' | 'on' | 'refused' | 'missing';

/** What is heard, piece by piece. */
export type OnSamples = (samples: Float32Array, rateHz: number) => void;

interface OpenMicrophone {
  stream: MediaStream;
  context: AudioContext;
}

/**
 * The browser's microphone as it is, without the filters that make speech clearer: what they take away is what is
 * listened for here.
 */
export function useMicrophone(onSamples: OnSamples) {
  const [state, setState] = useState<MicrophoneState>('off');
  const latest = useRef(onSamples);
  useEffect(() => {
    latest.current = onSamples;
  });
  const open = useRef<OpenMicrophone | null>(null);
  /** Counts starts and stops: a permission that comes late belongs to nobody. */
  const turn = useRef(0);
  const stop = useCallback((): void => {
    turn.current++;
    if (open.current) close(open.current);
    open.current = null;
    setState('off');
  }, []);
  const start = useCallback(async (): Promise<void> => {
    if (!('mediaDevices' in navigator)) return setState('missing');
    const own = ++turn.current;
    setState('asking');
    try {
      const heard = await openMicrophone((samples, rateHz) => latest.current(samples, rateHz));
      if (own !== turn.current) return close(heard);
      open.current = heard;
      setState('on');
    } catch (error) {
      if (own === turn.current)
        setState(error instanceof DOMException && error.name === 'NotAllowedError' ? 'refused' : 'missing');
    }
  }, []);
  useEffect(() => stop, [stop]);
  return { state, start, stop };
}

async function openMicrophone(onSamples: OnSamples): Promise<OpenMicrophone> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
  });
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule('/microphone.worklet.js');
    const node = new AudioWorkletNode(context, 'microphone');
    node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => onSamples(data, context.sampleRate);
    // Some browsers run only what leads to a loudspeaker: this leads there and is silent.
    const silent = new GainNode(context, { gain: 0 });
    context.createMediaStreamSource(stream).connect(node).connect(silent).connect(context.destination);
  } catch (error) {
    close({ stream, context });
    throw error;
  }
  return { stream, context };
}

function close({ stream, context }: OpenMicrophone): void {
  stream.getTracks().forEach((track) => track.stop());
  void context.close();
}

/** Why nothing is heard. */
export const microphoneText: Partial<Record<MicrophoneState, string>> = {
  refused: 'The browser was told not to let this page listen: allow the microphone for it, or choose a file.',
  missing: 'There is no microphone here, or another program holds it: choose a file.',
};
