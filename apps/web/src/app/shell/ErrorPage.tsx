import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { Action } from '../../shared/ui/Action.tsx';
import classes from '../../shared/ui/PageStates.module.css';

/** What is shown when a page breaks: what was kept stays kept. */
export function ErrorPage() {
  const error = useRouteError();
  if (isRouteErrorResponse(error) && error.status === 404) return <NotFoundPage />;
  if (isPartMissing(error)) return <UnreachablePage />;
  return (
    <main className={classes.state} role="alert">
      <h1>This page broke</h1>
      <p>What was shown as kept is kept. Load the page again; if it breaks again, go back to the crafts.</p>
      <p className="mono">{error instanceof Error ? error.message.slice(0, 200) : 'unknown fault'}</p>
      <p>
        <a href={window.location.href}>Load again</a> · <Link to="/crafts">Crafts</Link>
      </p>
    </main>
  );
}

/** Whether a part of the program itself could not be fetched, as browsers put it. */
function isPartMissing(error: unknown): boolean {
  return (
    error instanceof Error &&
    /dynamically imported module|importing a module script failed|unable to preload/i.test(error.message)
  );
}

/** A page whose program could not be fetched: the server is gone, or was replaced by a newer one. */
function UnreachablePage() {
  return (
    <main className={classes.state} role="alert">
      <h1>Zivvo’s server does not answer</h1>
      <p>What was shown as kept is kept. Start the server again, then try again.</p>
      <Action weight="main" onClick={() => window.location.reload()}>
        Try again
      </Action>
    </main>
  );
}

/** An address that leads nowhere. */
export function NotFoundPage() {
  return (
    <main className={classes.state}>
      <h1>Nothing lives at this address</h1>
      <p>
        It may have been mistyped, or what it showed was deleted. <Link to="/crafts">Go to the crafts</Link>, or press /
        to find it.
      </p>
    </main>
  );
}
