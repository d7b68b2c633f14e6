import { lazy, Suspense, useState } from 'react';
import { Outlet, useLocation, useNavigation } from 'react-router';
import { useGo } from '../../shared/inHand/useInHand.ts';
import { useLastUndo } from '../../shared/ui/undo.ts';
import { useKeyListener, useKeys } from '../../shared/keys/keys.ts';
import { isOnTheWay } from '../onTheWay.ts';
import { pages, stations } from '../features.ts';
import { useAppSelector } from '../../shared/store/store.ts';
import { InHandBar } from './InHandBar.tsx';
import { Rail } from './Rail.tsx';
import { StandCut } from './StandCut.tsx';
import { patiently } from '../../shared/ui/patiently.ts';
import classes from './Shell.module.css';

const Finder = lazy(patiently(() => import('../../finder/Finder.tsx')));
const KeysHelp = lazy(patiently(() => import('./KeysHelp.tsx')));
const Notices = lazy(patiently(() => import('./Notices.tsx')));

/** The frame of every page: what is in hand above, the line at the left, the page in the middle. */
export function Shell() {
  const go = useGo();
  const { pathname, key } = useLocation();
  const areLettersOn = useAppSelector((s) => s.settings.areLetterKeysOn);
  // What is open belongs to the page it was opened on, so going elsewhere closes it.
  const [opened, setOpened] = useState<{ what: 'finder' | 'keys'; on: string } | null>(null);
  const open = opened?.on === pathname ? opened.what : null;
  const setOpen = (what: 'finder' | 'keys' | null): void => setOpened(what === null ? null : { what, on: pathname });
  const undo = useLastUndo();
  // Drawn anew when a page has come, and when one that was on its way does not come after all.
  useNavigation();
  useKeyListener(areLettersOn, () => isOnTheWay(key));
  useKeys([
    { key: '/', what: 'Find anything', run: () => setOpen('finder') },
    { key: '?', what: 'Keys of this page', run: () => setOpen('keys') },
    { key: 'c', what: 'Change the craft in hand', run: () => document.getElementById('in-hand-craft')?.focus() },
    { key: 'p', what: 'Change the prop in hand', run: () => document.getElementById('in-hand-prop')?.focus() },
    { key: 'Ctrl+Z', what: 'Undo the last deletion', run: undo },
    ...stations.map((s) => ({ key: `g ${s.letter}`, what: `Go to ${s.name}`, run: () => go(s.path) })),
  ]);
  return (
    <div className={classes.frame}>
      <a className={classes.skip} href="#work">
        Skip to the work
      </a>
      <InHandBar onFind={() => setOpen('finder')} onKeys={() => setOpen('keys')} />
      <StandCut />
      <Rail />
      <div className={classes.page} id="work" tabIndex={-1}>
        <Outlet />
      </div>
      <Suspense fallback={null}>
        {open === 'finder' && <Finder pages={pages} onClose={() => setOpen(null)} />}
        {open === 'keys' && <KeysHelp onClose={() => setOpen(null)} />}
        <Notices />
      </Suspense>
    </div>
  );
}
