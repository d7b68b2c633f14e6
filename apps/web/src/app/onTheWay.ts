/** What of the router is looked at. */
interface Ways {
  readonly state: { location: { key: string }; navigation: { state: string } };
}

let ways: Ways | null = null;

/** Names the router whose ways are watched. */
export function watchWays(router: Ways): void {
  ways = router;
}

/**
 * Whether another page than the one shown is on its way. The router knows at once; the page is drawn a moment later,
 * and a key struck in that moment is meant for it.
 *
 * @param shownKey - of the location whose page is on the screen
 */
export function isOnTheWay(shownKey: string): boolean {
  return ways !== null && (ways.state.navigation.state !== 'idle' || ways.state.location.key !== shownKey);
}
