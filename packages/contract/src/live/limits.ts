/**
 * What may be asked of a live stand. `leave` is a cut by a page that goes away; `writeAgain` and `goOnWithout` answer a
 * disk that took nothing.
 */
export const liveCommandNames = [
  'tare',
  'arm',
  'throttle',
  'program',
  'keepPoint',
  'cut',
  'leave',
  'disarm',
  'fault',
  'writeAgain',
  'goOnWithout',
] as const;
export type LiveCommandName = (typeof liveCommandNames)[number];

/** Commands that anybody who watches may give. */
export const watcherCommandNames: readonly LiveCommandName[] = ['cut'];

/** How often the pilot's page says that it is there [ms]. */
export const HEARTBEAT_MS = 500;
/** A pilot that was silent for longer has lost the lease [ms]. */
export const PILOT_LEASE_MS = 3000;
/**
 * The stream says something at least this often [ms]; a page that hears nothing for longer than the watchdog's time
 * says so.
 */
export const STREAM_BEAT_MS = 1000;
export const STREAM_WATCHDOG_MS = 3000;
/** Readings that are sent to a page, a second. */
export const STREAM_RATE_HZ = 20;
/** Of one post to the line feed [bytes]: seconds of readings, not hours. */
export const FEED_BODY_MAX_BYTES = 65_536;
/** Of one exchange of a driven stand [bytes]. */
export const DRIVEN_BODY_MAX_BYTES = 16_384;
/** Driven stands that are heard at a time. */
export const DRIVEN_MAX_COUNT = 8;
/** What a driven stand may call itself. */
export const DRIVEN_NAME = /^[\p{L}\p{N}][\p{L}\p{N} ._-]{0,39}$/u;
/** Lines of a feed that are passed on, a second. */
export const FEED_LINES_A_SECOND = 400;
