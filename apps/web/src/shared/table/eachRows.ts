import Papa from 'papaparse';
import { delimiterOf, SEPARATOR_LINE } from './parseDelimited.ts';

type Progress = (share: number) => void;

const CHUNK_CHARACTERS = 500_000;

/** Hands a file over piece by piece, as text, until whoever reads it has enough. */
export async function eachPiece(file: Blob, onProgress: Progress, take: (piece: string) => boolean): Promise<void> {
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader();
  let read = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    read += value.length;
    onProgress(Math.min(1, read / Math.max(1, file.size)));
    if (!take(value)) return void reader.cancel();
  }
}

/** Hands the rows of a table over, some thousands at a time, until whoever reads them has enough. */
export async function eachRows(file: Blob, onProgress: Progress, take: (rows: string[][]) => boolean): Promise<void> {
  let delimiter = '';
  let rest = '';
  const parsed = (given: string): string[][] => {
    // A spreadsheet's first line may say its separator; it is no row.
    const text = delimiter === '' ? given.replace(SEPARATOR_LINE, '') : given;
    delimiter ||= delimiterOf(text.slice(0, 5000));
    return Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' }).data;
  };
  let goesOn = true;
  await eachPiece(file, onProgress, (piece) => {
    rest += piece;
    if (rest.length < CHUNK_CHARACTERS) return true;
    const end = rest.lastIndexOf('\n') + 1;
    goesOn = take(parsed(rest.slice(0, end)));
    rest = rest.slice(end);
    return goesOn;
  });
  if (goesOn && rest.trim() !== '') take(parsed(rest));
}
