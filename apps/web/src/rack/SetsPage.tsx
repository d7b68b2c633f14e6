import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftView, PieceSetView } from '@zivvo/contract';
import { changesLeft, handsNeeded, type HandCounts } from '@zivvo/core';
import { Link } from 'react-router';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import {
  useActOnPieceMutation,
  useAddSetMutation,
  useAvailablePiecesQuery,
  useRemoveSetMutation,
  useRestoreSetMutation,
  useSetsQuery,
  useSparesQuery,
} from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import actionClasses from '../shared/ui/Action.module.css';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { EmptyPage, ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { RackTabs } from './RackTabs.tsx';
import classes from './SetsPage.module.css';

/** The pieces that belong on one craft together, what each set lacks, and how many full changes the rack gives. */
export function Component() {
  const query = useSetsQuery();
  const { data: crafts } = useCraftsQuery();
  return (
    <Ready query={query}>
      {(sets) => {
        const short = sets.items.filter((s) => s.needs && !s.needs.isComplete);
        return (
          <StationPage
            eyebrow="Rack · Sets"
            headline={
              sets.total === 0
                ? 'No set yet'
                : short.length === 0
                  ? `${sets.total} ${sets.total === 1 ? 'set' : 'sets'}, nothing missing`
                  : `${short[0]!.name} needs ${needText(short[0]!)}`
            }
            detail="One model per set; colours may mix, models not."
            tools={<RackTabs />}
            reasons={<ChangesLeft crafts={crafts?.items ?? []} />}
          >
            <CutNote list={sets} what="sets" />
            <NewSet crafts={crafts?.items ?? []} />
            {sets.total === 0 ? (
              <EmptyPage title="Put pieces together">
                <p>
                  Name a set and its craft, then mark pieces in the list of pieces and put them into it. What it lacks
                  is named by hand.
                </p>
              </EmptyPage>
            ) : (
              sets.items.map((set) => (
                <SetSheet
                  key={set.id}
                  set={set}
                  craftName={crafts?.items.find((c) => c.id === set.craftId)?.name ?? null}
                />
              ))
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

function missingText({ cwCount, ccwCount }: HandCounts): string {
  return [cwCount > 0 ? `${cwCount} CW` : '', ccwCount > 0 ? `${ccwCount} CCW` : '']
    .filter((t) => t !== '')
    .join(' and ');
}

function needText({ needs }: PieceSetView): string {
  if (!needs) return 'a craft';
  const missing = missingText(needs.missing);
  return missing === '' ? `${needs.strangers.length} of another model taken out` : missing;
}

function SetSheet({ set, craftName }: { set: PieceSetView; craftName: string | null }) {
  const { to } = useInHand();
  const { data: models } = usePropModelsQuery();
  const [remove] = useRemoveSetMutation();
  const [restore] = useRestoreSetMutation();
  const [act, acting] = useActOnPieceMutation();
  const [model] = models?.items.filter((m) => set.pieces.some((p) => p.propModelId === m.id)) ?? [];
  const onRemove = (): void => {
    void remove(set.id);
    void announceDeletion(`${set.name} was taken apart; its pieces stay on the rack.`, () => void restore(set.id));
  };
  return (
    <section className={classes.set} aria-label={set.name}>
      <header>
        <h2>{set.name}</h2>
        <span className="muted">
          {[craftName ?? 'for no craft', model ? propModelName(model) : null].filter((t) => t !== null).join(' · ')}
        </span>
        <span className={set.needs === null || set.needs.isComplete ? classes.whole : classes.short}>
          {set.needs === null ? '' : set.needs.isComplete ? 'complete' : `needs ${needText(set)}`}
        </span>
      </header>
      <ul>
        {set.pieces.map((p) => (
          <li key={p.id} data-stranger={set.needs?.strangers.includes(p.id)}>
            <Link to={to(`/rack/pieces/${p.id}`)} className="mono">
              {p.tag}
            </Link>{' '}
            <HandArrow hand={p.hand} />
            {set.needs?.strangers.includes(p.id) && <span className={classes.short}> another model</span>}
            <button
              type="button"
              className={classes.out}
              aria-label={`Take ${p.tag} out of ${set.name}`}
              onClick={() => void act({ id: p.id, body: { action: 'leaveSet' } })}
            >
              out
            </button>
          </li>
        ))}
        {set.pieces.length === 0 && (
          <li className="muted">No piece in it yet: mark pieces in the list and put them together.</li>
        )}
      </ul>
      <ProblemNote error={acting.error} />
      <footer>
        <a
          className={actionClasses.action}
          data-weight="plain"
          href={`/api/stickers?setId=${set.id}`}
          target="_blank"
          rel="noreferrer"
        >
          <span className={actionClasses.label}>Print stickers</span>
        </a>
        <Action weight="danger" onClick={onRemove}>
          Take apart
        </Action>
      </footer>
    </section>
  );
}

function NewSet({ crafts }: { crafts: readonly CraftView[] }) {
  const { craftId } = useInHand();
  const [add, adding] = useAddSetMutation();
  const { ask, isAsking, asking } = useAsking();
  const [{ name, forCraft }, setTyped, handedOver] = useKept('set/new', () => ({
    name: '',
    forCraft: null as string | null,
  }));
  const chosen = forCraft ?? craftId ?? '';
  const open = async (): Promise<void> => {
    try {
      await ask(() =>
        add({ id: madeIdOf('set/new'), name: name.trim(), craftId: chosen === '' ? null : chosen }).unwrap(),
      );
      forgetMadeId('set/new');
      handedOver();
    } catch {
      // The note below says why; what was typed stays.
    }
  };
  return (
    <form
      className={classes.new}
      onSubmit={(e) => {
        e.preventDefault();
        void open();
      }}
    >
      <TextInput
        label="New set"
        placeholder="K12"
        value={name}
        onChange={(e) => setTyped({ name: e.currentTarget.value, forCraft })}
        maxLength={80}
      />
      <NativeSelect
        label="for"
        value={chosen}
        onChange={(e) => setTyped({ name, forCraft: e.currentTarget.value })}
        data={[{ value: '', label: 'no craft' }, ...crafts.map((c) => ({ value: c.id, label: c.name }))]}
      />
      <Action type="submit" disabled={name.trim() === '' || isAsking}>
        Open the set
      </Action>
      <AskedNote asking={asking} error={adding.error} />
    </form>
  );
}

/**
 * Full changes that the rack gives for each craft's present prop, the hand that ends first, and the screws they take.
 */
function ChangesLeft({ crafts }: { crafts: readonly CraftView[] }) {
  const { data: available } = useAvailablePiecesQuery();
  const { data: models } = usePropModelsQuery();
  const { data: spares } = useSparesQuery();
  if (!available || !models) return <p className="muted">working…</p>;
  const rows = crafts.flatMap((craft) => {
    const stock = available.find((a) => a.propModelId === craft.referencePropModelId);
    const model = models.items.find((m) => m.id === craft.referencePropModelId);
    return model
      ? [
          {
            craft,
            model,
            left: changesLeft(stock ?? { cwCount: 0, ccwCount: 0 }, handsNeeded(craft.rotors, craft.kind)),
            has: stock ?? { cwCount: 0, ccwCount: 0 },
          },
        ]
      : [];
  });
  const [screws] = spares?.items ?? [];
  return (
    <div className={classes.left}>
      {rows.map(({ craft, model, left, has }) => (
        <p key={craft.id}>
          <strong>{craft.name}:</strong>{' '}
          {left.count === 0 ? 'no full change' : left.count === 1 ? '1 full change' : `${left.count} full changes`} of{' '}
          {propModelName(model)} beside what it flies ({has.cwCount} CW, {has.ccwCount} CCW)
          {left.firstOut !== null && (
            <>
              ; <HandArrow hand={left.firstOut} /> runs out first
            </>
          )}
          .{' '}
          {screws && left.count > 0 && screws.count < left.count * craft.rotors.length * screws.perPieceCount && (
            <span className={classes.short}>
              {`${screws.name}: ${screws.count} left, ${left.count * craft.rotors.length * screws.perPieceCount} ` +
                'needed.'}
            </span>
          )}
        </p>
      ))}
      {rows.length === 0 && (
        <p className="muted">Choose the prop each craft flies now, and the changes left are counted here.</p>
      )}
    </div>
  );
}
