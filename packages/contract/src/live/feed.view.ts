/** Lines that a stand printed, on their way to the pages that listen. */
export interface FeedLinesView {
  lines: string[];
}

/** What became of lines that were posted. */
export interface FeedTakenView {
  /** Lines that were passed on. */
  takenCount: number;
  /** Lines beyond what is passed on in a second; the newest are kept. */
  droppedCount: number;
  /** Pages that listen. */
  listenerCount: number;
}
