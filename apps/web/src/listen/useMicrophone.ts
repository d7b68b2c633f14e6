import { useCallback, useEffect, useRef, useState } from 'react';

export type MicrophoneState = 'off' | 'asking' | 'on' | 'refused' | 'missing';

/** What is heard, piece by piece. */
export type OnSamples = (samples: Float32Array, rateHz: number) => void;

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
  const open = useRef<{ context: AudioContext; stream: MediaStream } | null>(null);
  const stop = useCallback((): void => {
    open.current?.stream.getTracks().forEach((track) => track.stop());
    void open.current?.context.close();
    open.current = null;
    setState('off');
  }, []);
  const start = useCallback(async (): Promise<void> => {
    if (!('mediaDevices' in navigator)) return setState('missing');
    setState('asking');
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
      });
      const context = new AudioContext();
      open.current = { context, stream };
      await context.audioWorklet.addModule('/microphone.worklet.js');
      const node = new AudioWorkletNode(context, 'microphone');
      node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => latest.current(data, context.sampleRate);
      // Some browsers run only what leads to a loudspeaker: this leads there and is silent.
      const silent = new GainNode(context, { gain: 0 });
      context.createMediaStreamSource(stream).connect(node).connect(silent).connect(context.destination);
      setState('on');
    } catch (error) {
      stop();
      setState(error instanceof DOMException && error.name === 'NotAllowedError' ? 'refused' : 'missing');
    }
  }, [stop]);
  useEffect(() => stop, [stop]);
  return { state, start, stop };
}

/** Why nothing is heard. */
export const microphoneText: Partial<Record<MicrophoneState, string>> = {
  refused: 'The browser was told not to let this page listen: allow the microphone for it, or choose a file.',
  missing: 'There is no microphone here, or another program holds it: choose a file.',
};
