/** What a list answers: at most as many as it holds of all that there are, and whether some are left out. */
export interface ListView<T> {
  items: T[];
  total: number;
  isCut: boolean;
}
