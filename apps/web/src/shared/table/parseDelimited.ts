import Papa from 'papaparse';

/** Largest text that is read on the page. */
export const TEXT_MAX_LENGTH = 5_000_000;
const ROW_MAX_COUNT = 20_000;
/** By which a spreadsheet says what parts its columns. */
export const SEPARATOR_LINE = /^sep=.\r?\n/i;

/** Splits CSV, TSV or semicolon text into cells; empty lines and a leading `sep=` line are skipped. */
export function parseDelimited(text: string): string[][] {
  const body = text
    .slice(0, TEXT_MAX_LENGTH)
    .replace(/^\uFEFF/, '')
    .replace(SEPARATOR_LINE, '');
  const { data } = Papa.parse<string[]>(body, {
    delimiter: delimiterOf(body),
    skipEmptyLines: 'greedy',
    preview: ROW_MAX_COUNT,
  });
  return data;
}

/** A tab wins, then a semicolon, because a comma may be a decimal mark. */
export function delimiterOf(text: string): string {
  const head = text.slice(0, 5000);
  return head.includes('\t') ? '\t' : head.includes(';') ? ';' : ',';
}
