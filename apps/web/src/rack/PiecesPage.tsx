import { NativeSelect, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { PIECE_PAGE_MAX, pieceStates, retirements, type PieceView, type PropModelView } from '@zivvo/contract';
import { boreFitNames, lookNames, pieceStateNames, retirementNames } from '@zivvo/words';
import { useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { useActOnPiecesMutation, usePiecesQuery, useSetsQuery, type PieceActionBody } from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { EmptyPage, ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './PiecesPage.module.css';
import { RackTabs } from './RackTabs.tsx';

/** Every physical propeller: find it, mark many, move them, put them into a set, retire them. */
export function Component() {
  const [state, setState] = useAddressParam('state');
  const [untouched, setUntouched] = useAddressParam('untouched');
  const [page, setPage] = useAddressParam('page');
  const [words, setWords] = useState('');
  const [asked] = useDebouncedValue(words.trim(), 150);
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const offset = Math.max(0, Number(page ?? 0) || 0) * PIECE_PAGE_MAX;
  const query = usePiecesQuery({
    words: asked === '' ? null : asked,
    state: pieceStates.find((s) => s === state) ?? null,
    untouched: untouched === 'yes' ? 'yes' : null,
    offset,
    limit: PIECE_PAGE_MAX,
  });
  const { data: models } = usePropModelsQuery();
  const { to } = useInHand();
  const go = useGo();
  useKeys([{ key: 'n', what: 'New delivery', run: () => go('/rack/deliveries/new') }]);
  const latest = query.data ?? query.currentData;
  return (
    <Ready query={{ ...query, currentData: latest }}>
      {({ items, total, states }) => {
        const all = Object.values(states).reduce((sum, n) => sum + n, 0);
        const isFiltered = asked !== '' || state !== null || untouched !== null;
        const toggle = (id: string): void =>
          setMarked((before) =>
            before.has(id) ? new Set([...before].filter((i) => i !== id)) : new Set([...before, id]),
          );
        const chosen = items.filter((p) => marked.has(p.id));
        return (
          <StationPage
            eyebrow="Rack · Pieces"
            headline={
              all === 0 && !isFiltered
                ? 'No piece has been checked in yet'
                : `${total} ` +
                  `${total === 1 ? 'piece' : 'pieces'}${state === null ? '' : ` ${pieceStateNames[state as PieceView['state']]}`}${untouched === 'yes' ? ' lay untouched for half a year' : ''}`
            }
            detail={
              all === 0
                ? undefined
                : `${states.fitted ?? 0} on craft, ${(states.trued ?? 0) + (states.resting ?? 0)} ready or ` +
                  `resting, ${states.new ?? 0} still to check in.`
            }
            tools={<RackTabs />}
            reasons={
              chosen.length > 0 ? (
                <BulkWork pieces={chosen} onDone={() => setMarked(new Set())} />
              ) : (
                <p style={{ margin: 0 }}>
                  Write the tag at the hub, beside the bore: a check of the last sign notices a misread one. Mark rows
                  with x to move, set or retire many at once.
                </p>
              )
            }
            actions={
              <ActionLink weight="main" hint="n" to={to('/rack/deliveries/new')}>
                New delivery
              </ActionLink>
            }
          >
            <div className={classes.filter}>
              <TextInput
                aria-label="Find pieces"
                placeholder="tag, model, place, colour"
                value={words}
                onChange={(e) => {
                  setWords(e.currentTarget.value);
                  setPage(null);
                }}
              />
              <NativeSelect
                aria-label="State"
                value={state ?? ''}
                onChange={(e) => {
                  setState(e.currentTarget.value === '' ? null : e.currentTarget.value);
                  setPage(null);
                }}
                data={[
                  { value: '', label: 'every state' },
                  ...pieceStates.map((s) => ({ value: s, label: `${pieceStateNames[s]} (${states[s] ?? 0})` })),
                ]}
              />
              <label className={classes.check}>
                <input
                  type="checkbox"
                  checked={untouched === 'yes'}
                  onChange={(e) => setUntouched(e.currentTarget.checked ? 'yes' : null)}
                />{' '}
                untouched for half a year
              </label>
            </div>
            {items.length === 0 ? (
              <EmptyPage
                title={isFiltered ? 'Nothing like that on the rack' : 'Check a delivery in'}
                actions={
                  <ActionLink weight="main" to={to('/rack/deliveries/new')}>
                    New delivery
                  </ActionLink>
                }
              >
                <p>
                  {isFiltered
                    ? 'Loosen the filter, or look whether the tag was misread: the last sign checks the other three.'
                    : 'Type the label once, count the pieces of each hand, and every piece gets a tag of its own.'}
                </p>
              </EmptyPage>
            ) : (
              <Pieces items={items} models={models?.items ?? []} marked={marked} onToggle={toggle} />
            )}
            {total > PIECE_PAGE_MAX && (
              <div className={classes.pages}>
                <Action disabled={offset === 0} onClick={() => setPage(String(offset / PIECE_PAGE_MAX - 1))}>
                  Earlier
                </Action>
                <span className="muted">{`${offset + 1} to ${Math.min(total, offset + items.length)} of ${total}`}</span>
                <Action
                  disabled={offset + items.length >= total}
                  onClick={() => setPage(String(offset / PIECE_PAGE_MAX + 1))}
                >
                  Later
                </Action>
              </div>
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

interface PiecesProps {
  items: PieceView[];
  models: readonly PropModelView[];
  marked: ReadonlySet<string>;
  onToggle: (id: string) => void;
}

function Pieces({ items, models, marked, onToggle }: PiecesProps) {
  const format = useFormat();
  const go = useGo();
  const open = (i: number): void => go(`/rack/pieces/${items[i]!.id}`);
  const rowKeys = useRowKeys({ onOpen: open, onMark: (i) => onToggle(items[i]!.id) });
  const names = new Map(models.map((m) => [m.id, propModelName(m)]));
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>
              <span className="visually-hidden">Marked</span>
            </th>
            <th>Tag</th>
            <th>Model</th>
            <th>Hand</th>
            <th data-right data-wide>
              Weight
            </th>
            <th data-wide>Bore</th>
            <th data-wide>Look</th>
            <th>State</th>
            <th data-wide>Where</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {items.map((p, i) => (
            <tr key={p.id} tabIndex={0} data-chosen={marked.has(p.id)} onClick={() => open(i)}>
              <td style={{ width: 30 }} onClick={(e) => e.stopPropagation()}>
                <input
                  type="checkbox"
                  aria-label={`Mark ${p.tag}`}
                  checked={marked.has(p.id)}
                  onChange={() => onToggle(p.id)}
                  className={classes.box}
                />
              </td>
              <td className="mono">
                <strong>{p.tag}</strong>
              </td>
              <td>{names.get(p.propModelId) ?? ''}</td>
              <td>
                <HandArrow hand={p.hand} />
              </td>
              <td data-right data-wide>
                {p.massKg === null ? '–' : format.quantity(p.massKg, 'mass', 2).text}
              </td>
              <td data-wide>{p.boreFit === null ? '–' : boreFitNames[p.boreFit]}</td>
              <td data-wide>{p.look === null ? '–' : lookNames[p.look]}</td>
              <td>{p.retiredAs === null ? pieceStateNames[p.state] : `retired, ${retirementNames[p.retiredAs]}`}</td>
              <td data-wide>{p.location ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** One action for all marked pieces, all of them or none, with the way back. */
function BulkWork({ pieces, onDone }: { pieces: readonly PieceView[]; onDone: () => void }) {
  const [act, acting] = useActOnPiecesMutation();
  const { data: sets } = useSetsQuery();
  const [place, setPlace] = useState('');
  const [setId, setSetId] = useState('');
  const [as, setAs] = useState<(typeof retirements)[number]>('benchOnly');
  const [reason, setReason] = useState('');
  const ids = pieces.map((p) => p.id);
  const run = async (body: PieceActionBody, said: string, undo: () => void): Promise<void> => {
    try {
      await act({ ids, ...body }).unwrap();
      onDone();
      void announceDeletion(said, undo);
    } catch {
      // The note below says what was refused; nothing was changed.
    }
  };
  const count = `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}`;
  return (
    <section className={classes.bulk} aria-label="Marked pieces">
      <p>
        <strong>{`${count} marked`}</strong>:{' '}
        {pieces
          .slice(0, 8)
          .map((p) => p.tag)
          .join(', ')}
        {pieces.length > 8 && ' …'}
      </p>
      <TextInput label="Move to" value={place} onChange={(e) => setPlace(e.currentTarget.value)} maxLength={60} />
      <Action
        disabled={place.trim() === ''}
        onClick={() =>
          void run({ action: 'move', location: place.trim() }, `${count} moved to ${place.trim()}.`, () =>
            pieces.forEach(
              (p) => p.location !== null && void act({ ids: [p.id], action: 'move', location: p.location }),
            ),
          )
        }
      >
        Move
      </Action>
      <NativeSelect
        label="Into the set"
        value={setId}
        onChange={(e) => setSetId(e.currentTarget.value)}
        data={[{ value: '', label: 'choose' }, ...(sets?.items ?? []).map((s) => ({ value: s.id, label: s.name }))]}
      />
      <Action
        disabled={setId === ''}
        onClick={() =>
          void run(
            { action: 'joinSet', setId },
            `${count} joined the set.`,
            () => void act({ ids, action: 'leaveSet' }),
          )
        }
      >
        Put together
      </Action>
      <NativeSelect
        label="Retire"
        value={as}
        onChange={(e) => setAs(e.currentTarget.value as typeof as)}
        data={retirements.map((r) => ({ value: r, label: retirementNames[r] }))}
      />
      <TextInput
        label="Because"
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
        placeholder="white at the root"
      />
      <Action
        weight="danger"
        disabled={reason.trim() === ''}
        onClick={() =>
          void run(
            { action: 'retire', as, reason: reason.trim() },
            `${count} retired.`,
            () => void act({ ids, action: 'unretire' }),
          )
        }
      >
        Retire
      </Action>
      <ProblemNote error={acting.error} />
    </section>
  );
}
