/** What somebody saw and what it shall be. */
export interface Change<T> {
  from: T;
  to: T;
}

/**
 * A change to be asked for: nothing where nobody touched the field, so that what others made of it stays.
 *
 * @param seen what stood there when the form was opened
 * @param now what stands there by now
 * @param mine what is in the form
 * @param told whether what others changed meanwhile has been shown; only then it is overwritten
 */
export function changeOf<T>(seen: T, now: T, mine: T, told: boolean): Change<T> | undefined {
  if (JSON.stringify(seen) === JSON.stringify(mine)) return undefined;
  return { from: told ? now : seen, to: mine };
}
