import { HEARTBEAT_MS, type LiveCommandDto, type LiveView } from '@zivvo/contract';
import { isHot as isHotPhase } from '@zivvo/core';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { useLiveCommandMutation, useLiveHeartbeatMutation } from '../../shared/api/liveApi.ts';
import { leaveStand, LiveStream, TAB_ID } from '../../shared/api/liveStream.ts';

type LiveCommand = Omit<Partial<LiveCommandDto>, 'tabId'> & Pick<LiveCommandDto, 'name'>;
export type SendCommand = (command: LiveCommand) => void;
/** As {@link SendCommand}, done when the server has taken or refused it. */
export type TellCommand = (command: LiveCommand) => Promise<unknown>;

export interface LiveRun {
  stream: LiveStream;
  view: LiveView | null;
  isLost: boolean;
  isPilot: boolean;
  /** True while throttle may be given. */
  isHot: boolean;
  send: SendCommand;
  tell: TellCommand;
  /** The last refusal, until the next command. */
  error: unknown;
}

/**
 * A run on the stand as this tab sees and flies it: stream, heartbeat, commands, and letting go when the page goes
 * away. One page flies one run: another run is another page.
 */
export function useLiveRun(runId: string): LiveRun {
  const [stream] = useState(() => new LiveStream(runId));
  useEffect(() => {
    stream.open();
    return () => stream.close();
  }, [stream]);
  const view = useSyncExternalStore(stream.onState, () => stream.view);
  const isLost = useSyncExternalStore(stream.onState, () => stream.isLost);
  const [beat] = useLiveHeartbeatMutation();
  const [command, { error }] = useLiveCommandMutation();
  const isOpen = view?.isOpen ?? false;
  const mayFly = isOpen && (view?.pilotTabId === null || view?.pilotTabId === TAB_ID);
  const isPilot = isOpen && view?.pilotTabId === TAB_ID;
  const isHot = isOpen && view !== null && isHotPhase(view.phase);

  useEffect(() => {
    if (!mayFly) return;
    const say = (): void => {
      if (document.visibilityState === 'visible') void beat({ id: runId, tabId: TAB_ID });
    };
    say();
    const timer = setInterval(say, HEARTBEAT_MS);
    return () => clearInterval(timer);
  }, [mayFly, runId, beat]);

  useEffect(() => {
    if (!isPilot || !isHot) return;
    const leave = (): void => leaveStand(runId);
    const onHidden = (): void => {
      if (document.visibilityState === 'hidden') leave();
    };
    document.addEventListener('visibilitychange', onHidden);
    window.addEventListener('pagehide', leave);
    return () => {
      document.removeEventListener('visibilitychange', onHidden);
      window.removeEventListener('pagehide', leave);
    };
  }, [isPilot, isHot, runId]);
  // Going to another page of Zivvo is leaving, too; going on flying is not, so this runs only when the page ends.
  useEffect(
    () => () => {
      const last = stream.view;
      if (last?.pilotTabId === TAB_ID && isHotPhase(last.phase)) leaveStand(runId);
    },
    [stream, runId],
  );

  const tell = useCallback<TellCommand>(
    // What came of it is heard on the stream, in its order; the answer might be older.
    (what) => command({ id: runId, body: { ...what, tabId: TAB_ID } }),
    [command, runId],
  );
  const send = useCallback<SendCommand>((what) => void tell(what), [tell]);
  return { stream, view, isLost, isPilot, isHot, send, tell, error };
}
