/** Bounds that hold for every feature. */
export const NAME_MAX_LENGTH = 80;
export const NOTE_MAX_LENGTH = 2000;
export const LIST_MAX = 500;
export const JSON_BODY_MAX_BYTES = 2_000_000;
export const BLOB_MAX_BYTES = 25_000_000;
export const JSON_MAX_DEPTH = 12;
/** Values, lists and objects of a body taken together. */
export const JSON_NODE_MAX_COUNT = 60_000;
export const OBJECT_KEY_MAX_COUNT = 200;
export const COUNT_MAX = 9999;

export interface Range {
  min: number;
  max: number;
}
