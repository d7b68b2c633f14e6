import { Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { checkLimits, type InstrumentCheckView, type InstrumentsView } from '@zivvo/contract';
import { checkedQuantities, checkMethods, STALE_DAYS, type CheckedQuantity, type CheckMethod } from '@zivvo/core';
import { formatNumber, unitFor } from '@zivvo/words';
import { Link, useSearchParams } from 'react-router';
import {
  useAddInstrumentCheckMutation,
  useInstrumentsQuery,
  useRemoveInstrumentCheckMutation,
  useRestoreInstrumentCheckMutation,
} from '../../shared/api/standApi.ts';
import { useAsking } from '../../shared/api/useAsking.ts';
import { forgetMadeId, madeIdOf, useKept } from '../../shared/forms/kept.ts';
import { formatDay, useFormat } from '../../shared/format/useFormat.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { useRowKeys } from '../../shared/table/useRowKeys.ts';
import table from '../../shared/table/Table.module.css';
import { Action } from '../../shared/ui/Action.tsx';
import { AskedNote } from '../../shared/ui/AskedNote.tsx';
import { Ready } from '../../shared/ui/PageStates.tsx';
import { SeverityMark } from '../../shared/ui/ReasonList.tsx';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import { takeAway } from '../../shared/ui/takeAway.ts';
import { announce } from '../../shared/ui/undo.ts';
import { blankCheck, checkSays, instrumentNames, methodNames, pairFields, readEntry } from './checkEntry.ts';
import classes from './Instruments.module.css';

/** Under which the page's one action hands the check in. */
const CHECK_FORM = 'instrument-check';

/**
 * What the stand reads with, when each was last held against something known, and what its readings are multiplied
 * by.
 */
export function Component() {
  return <Ready query={useInstrumentsQuery()}>{(view) => <Instruments view={view} />}</Ready>;
}

function Instruments({ view }: { view: InstrumentsView }) {
  const [params, setParams] = useSearchParams();
  const asked = checkedQuantities.find((q) => q === params.get('check'));
  const quantity = asked ?? dueFirst(view);
  const choose = (i: number): void =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        next.set('check', view.standings[i]!.quantity);
        return next;
      },
      { replace: true },
    );
  return (
    <StationPage
      eyebrow="Stand · Instruments"
      headline={headlineOf(view)}
      reasons={
        <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
          <li>
            A number is as good as what it was read with. Raw readings stay; the factor stands beside every result.
          </li>
          <li>The scale: two masses, one near the lightest thrust and one near the heaviest, after a tare.</li>
          <li>Current: a second meter in line, or what the charger puts back after a counted discharge.</li>
          <li>No prop on the shaft while masses hang on the rig.</li>
        </ul>
      }
      actions={
        <Action weight="main" type="submit" form={CHECK_FORM}>
          Keep the check
        </Action>
      }
    >
      <Standings view={view} chosen={quantity} onChoose={choose} />
      <Check key={quantity} quantity={quantity} />
      <Made checks={view.checks.filter((c) => c.quantity === quantity)} />
    </StationPage>
  );
}

/** The instrument that is due: stale before never checked, the scale before all. */
function dueFirst({ standings }: InstrumentsView): CheckedQuantity {
  return (standings.find((s) => s.state === 'stale') ?? standings.find((s) => s.state === 'unchecked') ?? standings[0]!)
    .quantity;
}

function headlineOf({ standings }: InstrumentsView): string {
  const stale = standings.filter((s) => s.state === 'stale').map((s) => instrumentNames[s.quantity].toLowerCase());
  if (stale.length > 0) return `${stale.length === 1 ? `The ${stale[0]!} is` : `${stale.length} instruments are`} due`;
  const checked = standings.filter((s) => s.state === 'fresh').length;
  if (checked === 0) return 'Nothing is checked yet';
  return checked === standings.length ? 'Every instrument is checked' : `${checked} of ${standings.length} are checked`;
}

interface StandingsProps {
  view: InstrumentsView;
  chosen: CheckedQuantity;
  onChoose: (i: number) => void;
}

function Standings({ view: { standings, checks }, chosen, onChoose }: StandingsProps) {
  const rowKeys = useRowKeys({ onOpen: onChoose });
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Instrument</th>
            <th>Last check</th>
            <th data-wide>Against</th>
            <th data-right>Readings ×</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {standings.map(({ quantity, state, ageDays, checkId }, i) => {
            const check = checks.find((c) => c.id === checkId);
            return (
              <tr key={quantity} tabIndex={0} data-chosen={quantity === chosen} onClick={() => onChoose(i)}>
                <td>
                  <strong>{instrumentNames[quantity]}</strong>
                </td>
                <td>
                  <span className={classes.state}>
                    {state === 'stale' && <SeverityMark severity="caution" />}
                    {state === 'unchecked' ? 'never' : ageText(ageDays!)}
                    {state === 'stale' && `, trusted for ${STALE_DAYS[quantity]} days`}
                  </span>
                </td>
                <td data-wide>{check ? methodNames[check.method] : '–'}</td>
                <td data-right>{check ? formatNumber(check.factor, 3) : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const ageText = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`);

/** One check as it is typed. */
function Check({ quantity }: { quantity: CheckedQuantity }) {
  const { choices } = useFormat();
  const { to } = useInHand();
  const key = `stand/check/${quantity}`;
  const [typed, setTyped, handedOver] = useKept(key, () => blankCheck(quantity));
  const [add, adding] = useAddInstrumentCheckMutation();
  const { ask, isAsking, asking } = useAsking();
  const set = (change: Partial<typeof typed>): void => setTyped((now) => ({ ...now, ...change }));
  const setPair = (i: number, change: Partial<(typeof typed.pairs)[number]>): void =>
    setTyped((now) => ({ ...now, pairs: now.pairs.map((p, k) => (k === i ? { ...p, ...change } : p)) }));
  const read = readEntry(quantity, typed, choices);
  const says = checkSays(quantity, read);
  const fields = pairFields(quantity, typed.method);
  const unit = (name: 'actual' | 'shown'): string => unitFor(fields[name].dimension, choices).symbol;
  const keep = async (form: HTMLFormElement): Promise<void> => {
    if (isAsking) return;
    if (!says?.isGood) {
      const empty = [...form.querySelectorAll<HTMLInputElement>('input[data-reading]')];
      (empty.find((input) => input.value.trim() === '' || input.ariaInvalid === 'true') ?? empty[0])?.focus();
      return;
    }
    const { method, reachesBack } = typed;
    const note = typed.note.trim() === '' ? null : typed.note.trim();
    const body = { id: madeIdOf(key), quantity, method, reachesBack, armM: read.armM, pairs: read.pairs!, note };
    try {
      await ask(() => add(body).unwrap());
    } catch {
      return;
    }
    forgetMadeId(key);
    handedOver();
    void announce(`The check is kept. ${says.text}`);
  };
  return (
    <section className={classes.sheet} aria-label={`Check: ${instrumentNames[quantity]}`}>
      <h2>{instrumentNames[quantity]}</h2>
      <form
        id={CHECK_FORM}
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void keep(e.currentTarget);
        }}
      >
        <div className={classes.fields}>
          <NativeSelect
            label="Held against"
            value={typed.method}
            onChange={(e) => set({ method: e.currentTarget.value as CheckMethod })}
            data={checkMethods[quantity].map((method) => ({ value: method, label: methodNames[method] }))}
          />
          {quantity === 'torqueNm' && (
            <TextInput
              label="Arm, mm"
              data-reading
              inputMode="decimal"
              autoComplete="off"
              value={typed.arm}
              error={read.armError}
              onChange={(e) => set({ arm: e.currentTarget.value })}
            />
          )}
        </div>
        {typed.pairs.map((pair, i) => (
          <div key={i} className={classes.fields}>
            {(['actual', 'shown'] as const).map((name) => (
              <TextInput
                key={name}
                label={`${fields[name].label}${typed.pairs.length > 1 ? ` ${i + 1}` : ''}, ${unit(name)}`}
                data-reading
                inputMode="decimal"
                autoComplete="off"
                value={pair[name]}
                error={read.errors[i]![name]}
                onChange={(e) => setPair(i, { [name]: e.currentTarget.value })}
              />
            ))}
          </div>
        ))}
        {says && (
          <p role="status" className={classes.says}>
            {says.isDoubtful && <SeverityMark severity="caution" />}
            {says.text}
          </p>
        )}
        <div className={classes.row}>
          {typed.pairs.length < checkLimits.pairCount.max && (
            <Action onClick={() => set({ pairs: [...typed.pairs, { actual: '', shown: '' }] })}>One more point</Action>
          )}
          {typed.pairs.length > blankCheck(quantity).pairs.length && (
            <Action onClick={() => set({ pairs: typed.pairs.slice(0, -1) })}>One point less</Action>
          )}
          {typed.method === 'sound' && <Link to={to('/listen/speed')}>Hear how fast it turns</Link>}
        </div>
        <Checkbox
          className={classes.back}
          label="It was found so: also correct what was read since the check before"
          checked={typed.reachesBack}
          onChange={(e) => set({ reachesBack: e.currentTarget.checked })}
        />
        <TextInput
          label="Note"
          autoComplete="off"
          value={typed.note}
          onChange={(e) => set({ note: e.currentTarget.value })}
        />
        <AskedNote asking={asking} error={adding.error} />
      </form>
    </section>
  );
}

/** Checks of one instrument that were made, the latest first; each can be taken back. */
function Made({ checks }: { checks: readonly InstrumentCheckView[] }) {
  const [remove] = useRemoveInstrumentCheckMutation();
  const [restore] = useRestoreInstrumentCheckMutation();
  if (checks.length === 0) return null;
  const takeBack = (id: string): Promise<void> =>
    takeAway(remove(id).unwrap(), {
      text: 'The check was taken back; results follow.',
      undo: () => void restore(id),
      onGone: () => undefined,
    });
  return (
    <section className={classes.sheet} aria-label="Checks that were made">
      <h2>Made</h2>
      <ul className={classes.made}>
        {checks.map((c) => (
          <li key={c.id}>
            <span>
              <strong>{formatDay(c.createdAt)}</strong>
              {` × ${formatNumber(c.factor, 3)}, against ${methodNames[c.method]}`}
              {c.reachesBack && ', also for what was read before it'}
              {c.note !== null && ` · ${c.note}`}
            </span>
            <Action onClick={() => void takeBack(c.id)}>Take back</Action>
          </li>
        ))}
      </ul>
    </section>
  );
}
