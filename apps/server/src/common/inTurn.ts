/** Does things one at a time, in the order in which they were asked for; one that fails holds nobody up. */
export class InTurn {
  private last: Promise<unknown> = Promise.resolve();

  do<T>(act: () => Promise<T>): Promise<T> {
    const done = this.last.then(act, act);
    this.last = done.catch(() => undefined);
    return done;
  }
}
