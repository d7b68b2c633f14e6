import type { Icon } from '@tabler/icons-react';
import type { LineStation } from '@zivvo/core';
import type { RouteObject } from 'react-router';

/** A place of work in the rail. */
export interface Station {
  name: string;
  path: string;
  /** Letter behind `g`. */
  letter: string;
  icon: Icon;
  /** The stop of the line that stands beside it; null where it has none. */
  stop: LineStation | null;
}

/** What a feature adds to the app: its place in the rail, its pages, and those that the finder leads to. */
export interface Feature {
  /** Null for what stands apart from the line. */
  station: Station | null;
  routes: RouteObject[];
  pages: readonly { title: string; path: string }[];
}
