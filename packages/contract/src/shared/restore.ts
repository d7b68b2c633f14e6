import { WholeWithin } from './rules.ts';

/** The revision that the sender saw; the server refuses a change on top of another one (409). */
export class RevisionDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}
