import type { TodayCraftView, TodayView } from '@zivvo/contract';
import { jobsFor, type DueItem } from '@zivvo/core';
import { IconActivity, IconPackage, IconPropeller } from '@tabler/icons-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { useTodayQuery } from '../shared/api/todayApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { useKeys } from '../shared/keys/keys.ts';
import { FirstSteps } from '../shared/ui/FirstSteps.tsx';
import { foundNames, pathOfFound } from '../shared/ui/foundPlaces.ts';
import { LineBar } from '../shared/ui/LineBar.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { SeverityMark } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './TodayPage.module.css';
import { byNeed, standingOf, todayHeadline, verdictWords } from './todayView.ts';

const STARTS = [
  { path: '/crafts/new', key: 'n', title: 'New craft', icon: IconPropeller },
  { path: '/rack/deliveries/new', key: 'd', title: 'Delivery', icon: IconPackage },
  { path: '/care/symptoms', key: 's', title: 'Something shakes', icon: IconActivity },
] as const;

/** What is due this morning: may each craft fly, what waits, what fits the minutes at hand. */
export function Component() {
  return (
    <Ready query={useTodayQuery(undefined, { refetchOnMountOrArgChange: true })}>
      {(today) => <Today today={today} />}
    </Ready>
  );
}

function Today({ today }: { today: TodayView }) {
  const go = useGo();
  useKeys(STARTS.map(({ path, key, title }) => ({ key, what: title, run: () => go(path) })));
  const isEmpty = today.craftTotal === 0 && today.dueTotal === 0;
  return (
    <StationPage
      eyebrow="Today"
      headline={isEmpty ? 'What brings you here?' : todayHeadline(today)}
      detail={isEmpty ? 'Nothing is on the shelf yet: start with what you have in your hands.' : formatDay(today.at)}
    >
      {isEmpty ? (
        <FirstSteps />
      ) : (
        <>
          <Starts />
          <div className={classes.halves}>
            <Shelf today={today} />
            <div className={classes.stack}>
              <Due today={today} />
              <NotFlying today={today} />
              <Recent today={today} />
            </div>
          </div>
        </>
      )}
    </StationPage>
  );
}

function Starts() {
  const { to } = useInHand();
  return (
    <nav className={classes.starts} aria-label="Begin">
      {STARTS.map(({ path, key, title, icon: StartIcon }) => (
        <Link key={path} to={to(path)} className={classes.start}>
          <StartIcon size={26} stroke={1.5} aria-hidden />
          <strong>{title}</strong>
          <kbd>{key}</kbd>
        </Link>
      ))}
    </nav>
  );
}

function Shelf({ today }: { today: TodayView }) {
  return (
    <section className={classes.sheet} aria-label="May it fly?">
      <h2>May it fly?</h2>
      {today.crafts.length === 0 && <p className="muted">No craft is on the shelf.</p>}
      <ul className={classes.crafts}>
        {byNeed(today.crafts).map((craft) => (
          <Craft key={craft.id} craft={craft} />
        ))}
      </ul>
      {today.craftTotal > today.crafts.length && (
        <p className="muted">{`${today.crafts.length} of ${today.craftTotal} craft.`}</p>
      )}
    </section>
  );
}

function Craft({ craft }: { craft: TodayCraftView }) {
  const format = useFormat();
  const { to } = useInHand();
  const { id, name, verdict, missing, missingCount, stops } = craft;
  const standing = standingOf(verdict);
  return (
    <li data-standing={standing}>
      <span className={classes.craftHead}>
        <Link to={to(`/crafts/${id}`, { craftId: id, propModelId: null })}>
          <strong>{name}</strong>
        </Link>
        <span className={classes.verdict} data-standing={standing}>
          {verdictWords[verdict]}
        </span>
        <span className={classes.line}>
          {stops.map((stop) => (
            <LineBar key={stop.station} stop={stop} />
          ))}
        </span>
      </span>
      {missing[0] && (
        <span className={classes.missing}>
          {format.sentence(missing[0].reason)}
          {missingCount > 1 && (
            <Link to={to('/care', { craftId: id, propModelId: null })}>{` ${missingCount - 1} more`}</Link>
          )}
        </span>
      )}
    </li>
  );
}

const SHOWN_MOST = 7;

function Due({ today }: { today: TodayView }) {
  const [isAll, setAll] = useState(false);
  const shown = isAll ? today.due : today.due.slice(0, SHOWN_MOST);
  return (
    <section className={classes.sheet} aria-label="What waits">
      <h2>What waits</h2>
      {today.due.length === 0 ? (
        <p className="muted">Nothing: go and fly.</p>
      ) : (
        <ItemList items={shown} today={today} />
      )}
      {today.due.length > SHOWN_MOST && (
        <button type="button" className={classes.more} onClick={() => setAll(!isAll)}>
          {isAll ? 'The first of it' : `${today.dueTotal - SHOWN_MOST} more`}
        </button>
      )}
    </section>
  );
}

function ItemList({ items, today }: { items: readonly (DueItem & { minutes?: number })[]; today: TodayView }) {
  const format = useFormat();
  const { to } = useInHand();
  return (
    <ul className={classes.items}>
      {items.map(({ reason, path, craftId, minutes }) => {
        const name = today.crafts.find((c) => c.id === craftId)?.name;
        return (
          <li key={`${path}${craftId}${reason.code}${JSON.stringify(reason.values)}`}>
            <SeverityMark severity={reason.severity} />
            <Link to={to(path, craftId === null ? {} : { craftId, propModelId: null })}>
              {name !== undefined && <strong>{`${name}: `}</strong>}
              {format.sentence(reason)}
            </Link>
            {minutes !== undefined && <span className="muted">{`${minutes}\u202fmin`}</span>}
          </li>
        );
      })}
    </ul>
  );
}

const MINUTES = [15, 30, 60, 120] as const;

/** No weather for flying: what fits the minutes at hand. */
function NotFlying({ today }: { today: TodayView }) {
  const [minutes, setMinutes] = useState<number>(30);
  const jobs = jobsFor(today.jobs, minutes);
  if (today.jobs.length === 0) return null;
  return (
    <section className={classes.sheet} aria-label="Not a flying day">
      <div className={classes.sectionHead}>
        <h2>Not a flying day</h2>
        <div role="radiogroup" aria-label="Minutes at hand" className={classes.minutes}>
          {MINUTES.map((n) => (
            <button key={n} type="button" role="radio" aria-checked={n === minutes} onClick={() => setMinutes(n)}>
              {n}
              {'\u202fmin'}
            </button>
          ))}
        </div>
      </div>
      {jobs.length === 0 ? (
        <p className="muted">{`Nothing that waits fits ${minutes} minutes.`}</p>
      ) : (
        <ItemList items={jobs} today={today} />
      )}
    </section>
  );
}

function Recent({ today }: { today: TodayView }) {
  const { to } = useInHand();
  if (today.recent.length === 0) return null;
  return (
    <section className={classes.sheet} aria-label="Go on with">
      <h2>Go on with</h2>
      <ul className={classes.items}>
        {today.recent.map((item) => (
          <li key={`${item.kind}${item.id}`}>
            <Link to={to(pathOfFound(item), item.craftId === null ? {} : { craftId: item.craftId, propModelId: null })}>
              {item.title}
            </Link>
            <span className={classes.under}>{`${foundNames[item.kind]} · ${item.detail} · ${formatDay(item.at)}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
