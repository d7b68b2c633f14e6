import { STREAM_WATCHDOG_MS, type LiveReadingsView, type LiveView } from '@zivvo/contract';
import { liveChannels, type LivePoint } from '@zivvo/core';
import { v7 } from 'uuid';

/** This tab, as the stand knows it; a reload is another one. */
export const TAB_ID = v7();

/** Readings held for drawing: ten minutes at twenty a second. Outside the store, because it changes all the time. */
const BUFFER_COUNT = 12_000;

/** What a tab hears of one run on the stand. */
export class LiveStream {
  view: LiveView | null = null;
  /** The latest readings; replaced with every one. */
  latest: LiveReadingsView | null = null;
  /** True once the server has said nothing for three seconds. */
  isLost = false;
  private readonly readings: LiveReadingsView[] = [];
  private next = 0;
  private heardMs = performance.now();
  private source: EventSource | null = null;
  private watchdog: ReturnType<typeof setInterval> | undefined;
  private readonly stateListeners = new Set<() => void>();
  private readonly readingListeners = new Set<() => void>();

  constructor(readonly runId: string) {}

  /** Starts to listen; the browser connects again by itself whenever the line breaks. */
  open(): void {
    this.close();
    this.heardMs = performance.now();
    this.source = new EventSource(`/api/live/${this.runId}/stream`);
    this.on(this.source, 'state', (data) => this.show(data as LiveView));
    this.on(this.source, 'readings', (data) => this.push(data as LiveReadingsView));
    this.on(this.source, 'beat', () => undefined);
    this.watchdog = setInterval(() => this.setLost(performance.now() - this.heardMs > STREAM_WATCHDOG_MS), 250);
  }

  close(): void {
    this.source?.close();
    this.source = null;
    clearInterval(this.watchdog);
  }

  private show(view: LiveView): void {
    this.view = { ...view, points: view.points.map(withUnread) };
    for (const listener of this.stateListeners) listener();
  }

  /** Readings of the last seconds, oldest first. */
  since(timeS: number): LiveReadingsView[] {
    const ordered = [...this.readings.slice(this.next), ...this.readings.slice(0, this.next)];
    return ordered.filter((r) => r.timeS >= timeS);
  }

  readonly onState = (listener: () => void): (() => void) => listen(this.stateListeners, listener);
  readonly onReading = (listener: () => void): (() => void) => listen(this.readingListeners, listener);

  private on(source: EventSource, type: string, take: (data: unknown) => void): void {
    source.addEventListener(type, (event) => {
      this.heardMs = performance.now();
      this.setLost(false);
      take(JSON.parse((event as MessageEvent<string>).data));
    });
  }

  private push(reading: LiveReadingsView): void {
    this.readings[this.next] = reading;
    this.next = (this.next + 1) % BUFFER_COUNT;
    this.latest = reading;
    for (const listener of this.readingListeners) listener();
  }

  private setLost(isLost: boolean): void {
    if (isLost === this.isLost) return;
    this.isLost = isLost;
    for (const listener of this.stateListeners) listener();
  }
}

/** What a device does not read comes as nothing, and is no number. */
function withUnread(point: LivePoint): LivePoint {
  const values = { ...point.values };
  for (const channel of liveChannels) values[channel] = values[channel] ?? NaN;
  return { ...point, values };
}

function listen(listeners: Set<() => void>, listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Tells the stand that the pilot's page goes away; also while it is being closed. */
export function leaveStand(runId: string): void {
  navigator.sendBeacon(
    `/api/live/${runId}/commands`,
    new Blob([JSON.stringify({ tabId: TAB_ID, name: 'leave' })], { type: 'application/json' }),
  );
}
