/** Points of one view of a recording: a screen has no more columns than these. */
export const recordingPointCounts = { min: 1, max: 4000 } as const;
/** Stretches of a recording, one for each time that it went on. */
export const SEGMENT_MAX_COUNT = 200;
/** Samples that one file of a stretch may hold. */
export const SAMPLES_FILE_MAX_COUNT = 2_000_000;
