import { useCraftsQuery } from '../../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import { useAirQuery, usePeopleQuery } from '../../shared/api/workshopApi.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { propModelName } from '../../shared/ui/propModelName.ts';
import { Link } from 'react-router';
import { useAppSelector } from '../../shared/store/store.ts';
import classes from './InHandBar.module.css';

interface InHandBarProps {
  onFind: () => void;
  onKeys: () => void;
}

/** Who works on which craft with which prop in which air; each can be changed where it stands. */
export function InHandBar({ onFind, onKeys }: InHandBarProps) {
  const { craftId, propModelId, take, to } = useInHand();
  const { data: crafts } = useCraftsQuery();
  const { data: models } = usePropModelsQuery();
  return (
    <header className={classes.bar}>
      <Link to={to('/crafts')} className={classes.brand} aria-label="Zivvo, crafts">
        <svg width="26" height="26" viewBox="-50 -50 100 100" aria-hidden="true">
          <g fill="var(--fjord)">
            {[15, 135, 255].map((turn) => (
              <path key={turn} d="M-4-9C-16-20-15-37-3-46 9-36 9-20 4-9Z" transform={`rotate(${turn})`} />
            ))}
            <circle r="8.5" />
          </g>
        </svg>
        <span>Zivvo</span>
      </Link>
      <label className={classes.held}>
        <span className={classes.what}>
          Craft <kbd>c</kbd>
        </span>
        <select
          id="in-hand-craft"
          value={craftId ?? ''}
          onChange={(e) => take({ craftId: e.target.value === '' ? null : e.target.value })}
        >
          <option value="">none in hand</option>
          {crafts?.items.map((c) => (
            <option key={c.id} value={c.id}>
              {c.ownerName === null ? c.name : `${c.name} · ${c.ownerName}`}
            </option>
          ))}
        </select>
      </label>
      <label className={classes.held}>
        <span className={classes.what}>
          Prop <kbd>p</kbd>
        </span>
        <select
          id="in-hand-prop"
          value={propModelId ?? ''}
          onChange={(e) => take({ propModelId: e.target.value === '' ? null : e.target.value })}
        >
          <option value="">the reference</option>
          {models?.items.map((m) => (
            <option key={m.id} value={m.id}>
              {propModelName(m)}
            </option>
          ))}
        </select>
      </label>
      <Air />
      <div className={classes.tools}>
        <Person />
        <button type="button" onClick={onFind}>
          Find <kbd>/</kbd>
        </button>
        <button type="button" className={classes.keys} onClick={onKeys}>
          Keys <kbd>?</kbd>
        </button>
      </div>
    </header>
  );
}

function Air() {
  const { to } = useInHand();
  const { data } = useAirQuery();
  const format = useFormat();
  const air = data?.air;
  return (
    <Link to={to('/settings')} className={`${classes.held} ${classes.air}`} title="Today’s air: read it in Settings">
      <span className={classes.what}>Air today</span>
      <span className={classes.value}>
        {air
          ? `${format.quantity(air.temperatureC, 'temperature').text} · ` +
            `${format.quantity(air.pressurePa, 'pressure').text} · ` +
            `${format.quantity(air.densityKgPerM3, 'density').text}`
          : 'not read yet'}
      </span>
    </Link>
  );
}

function Person() {
  const { to } = useInHand();
  const personId = useAppSelector((s) => s.settings.personId);
  const { data: people } = usePeopleQuery();
  const name = people?.items.find((p) => p.id === personId)?.name;
  return (
    <Link to={to('/settings')} className={classes.person} title="Who is working: choose in Settings">
      {name ?? 'Who works?'}
    </Link>
  );
}
