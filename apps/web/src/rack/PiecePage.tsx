import { NativeSelect, TextInput } from '@mantine/core';
import {
  boreFits,
  DescribePieceDto,
  looks,
  pieceHands,
  retirements,
  type PieceDetailView,
  type PieceEventView,
} from '@zivvo/contract';
import { isRetiring, refusalOf, type CareOutcome, type StrikeSeverity, type StruckThing } from '@zivvo/core';
import {
  boreFitNames,
  careOutcomeNames,
  handNames,
  lookNames,
  pieceActionNamesPast,
  pieceStateNames,
  placeNames,
  retirementNames,
  strikeSeverityNames,
  struckThingNames,
} from '@zivvo/words';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import {
  useActOnPieceMutation,
  useDescribePieceMutation,
  useLazyPieceQuery,
  usePieceQuery,
  useSetsQuery,
  type PieceActionBody,
} from '../shared/api/pieceApi.ts';
import { usePropModelQuery } from '../shared/api/rackApi.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { ChoiceField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import form from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { formatDay, formatTime, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { PhotoKey } from '../shared/ui/PhotoKey.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './PiecePage.module.css';

/** One physical propeller: what it is, where it is, everything that happened to it. */
export function Component() {
  const { pieceId = '' } = useParams();
  const query = usePieceQuery(pieceId);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(piece) => <Piece piece={piece} key={piece.id} />}
    </Ready>
  );
}

function Piece({ piece }: { piece: PieceDetailView }) {
  const { data: model } = usePropModelQuery(piece.propModelId);
  const { data: crafts } = useCraftsQuery();
  const { data: sets } = useSetsQuery();
  const { to } = useInHand();
  const [act, acting] = useActOnPieceMutation();
  const name = model ? propModelName(model) : '';
  const craft = crafts?.items.find((c) => c.id === piece.craftId);
  const set = sets?.items.find((s) => s.id === piece.setId);
  const run = (body: PieceActionBody): void => void act({ id: piece.id, body });
  const where =
    piece.state === 'fitted'
      ? `on ${craft?.name ?? 'a craft'}, ${piece.place === null ? '' : placeNames[piece.place].toLowerCase()}`
      : piece.state === 'retired'
        ? `retired, ${retirementNames[piece.retiredAs!]}`
        : `${pieceStateNames[piece.state]}${piece.location === null ? '' : `, ${piece.location}`}`;
  const canTrue =
    refusalOf(
      { ...piece, stateBefore: null },
      { action: 'true' },
      { boreFit: piece.boreFit, isUnsound: isRetiring(piece.condition.outcome) },
    ) === null;
  return (
    <StationPage
      eyebrow={`Rack · ${name}`}
      headline={
        <>
          <span className="mono">{piece.tag}</span> is {where}
        </>
      }
      detail={[
        handNames[piece.hand],
        piece.isTruedStatic ? 'trued' : null,
        piece.isTruedDynamic ? 'trued on its motor' : null,
        set ? `set ${set.name}` : null,
      ]
        .filter((t) => t !== null)
        .join(' · ')}
      tools={
        model && (
          <BladeGlyph
            size={64}
            diameterM={model.diameterM}
            pitchM={model.pitchM}
            bladeCount={model.bladeCount}
            tipShape={model.tipShape}
          />
        )
      }
      reasons={
        <>
          {piece.condition.reasons.length > 0 && <ReasonList reasons={piece.condition.reasons} />}
          <Moves piece={piece} sets={sets?.items ?? []} onAct={run} error={acting.error} />
        </>
      }
      actions={
        <>
          {canTrue && (
            <ActionLink weight="main" to={to(`/balance/${piece.id}`)}>
              Balance it
            </ActionLink>
          )}
          {piece.state === 'retired' && (
            <Action weight="main" onClick={() => run({ action: 'unretire' })}>
              Bring it back
            </Action>
          )}
          <ActionLink to={to('/rack/pieces')}>All pieces</ActionLink>
        </>
      }
    >
      <div className={classes.columns}>
        <Describe piece={piece} key={piece.revision} />
        <section className={classes.sheet} aria-label="History">
          <h2>History</h2>
          <ol className={classes.history}>
            {piece.history.map((event) => (
              <Event
                key={event.sequence}
                event={event}
                craftName={(id) => crafts?.items.find((c) => c.id === id)?.name ?? 'a craft'}
                setName={(id) => sets?.items.find((s) => s.id === id)?.name ?? 'a set'}
              />
            ))}
          </ol>
        </section>
      </div>
    </StationPage>
  );
}

function Event({
  event,
  craftName,
  setName,
}: {
  event: PieceEventView;
  craftName: (id: string) => string;
  setName: (id: string) => string;
}) {
  const format = useFormat();
  const { values } = event;
  const text = (key: string): string | null => (typeof values[key] === 'string' ? values[key] : null);
  const number = (key: string): number | null => (typeof values[key] === 'number' ? values[key] : null);
  const said = [
    number('massKg') === null || event.action === 'described'
      ? null
      : format.quantity(number('massKg')!, 'mass', 2).text,
    number('diameterM') === null || event.action === 'described'
      ? null
      : format.quantity(number('diameterM')!, 'length').text,
    text('thing') === null
      ? null
      : `${struckThingNames[text('thing') as StruckThing]}, ${strikeSeverityNames[text('severity') as StrikeSeverity]}`,
    text('outcome') === null ? null : careOutcomeNames[text('outcome') as CareOutcome],
    text('craftId') === null
      ? null
      : [craftName(text('craftId')!), placeNames[text('place') as keyof typeof placeNames]?.toLowerCase()]
          .filter((t) => t !== undefined)
          .join(', '),
    text('setId') === null ? null : setName(text('setId')!),
    text('as') === null ? null : retirementNames[text('as') as keyof typeof retirementNames],
    text('location'),
    values.isDynamic === true ? 'on its motor' : null,
    text('reason'),
  ].filter((t) => t !== null);
  return (
    <li>
      <strong>{pieceActionNamesPast[event.action] ?? event.action}</strong>
      {said.length > 0 && `: ${said.join(', ')}`}
      <div className="muted">
        {`${formatDay(event.at)}, ` +
          `${formatTime(event.at).slice(0, 5)}${event.personName === null ? '' : `, ${event.personName}`}`}
      </div>
    </li>
  );
}

/** Where a piece goes next. */
function Moves({
  piece,
  sets,
  onAct,
  error,
}: {
  piece: PieceDetailView;
  sets: readonly { id: string; name: string }[];
  onAct: (body: PieceActionBody) => void;
  error: unknown;
}) {
  const [place, setPlace] = useState('');
  const [as, setAs] = useState<(typeof retirements)[number]>('benchOnly');
  const [reason, setReason] = useState('');
  if (piece.state === 'retired')
    return (
      <p style={{ margin: 0 }}>
        It never flies again unless somebody brings it back; the history keeps why it was retired.
      </p>
    );
  return (
    <div className={classes.moves}>
      {piece.state === 'new' && <p>Not checked in: weigh it, say how the bore fits and how it looks.</p>}
      {(piece.boreFit === 'needsRing' || piece.boreFit === 'needsReaming') && (
        <p>
          {`The bore ${piece.boreFit === 'needsRing' ? 'needs a ring' : 'is to be reamed'} first: that moves the ` +
            'centre, so it comes before balancing.'}
        </p>
      )}
      {piece.state === 'fitted' && <Action onClick={() => onAct({ action: 'remove' })}>Take it off the craft</Action>}
      <TextInput
        label="Move to"
        value={place}
        onChange={(e) => setPlace(e.currentTarget.value)}
        maxLength={60}
        placeholder={piece.location ?? ''}
      />
      <Action
        disabled={place.trim() === ''}
        onClick={() => {
          onAct({ action: 'move', location: place.trim() });
          setPlace('');
        }}
      >
        Move
      </Action>
      <NativeSelect
        label="Set"
        value={piece.setId ?? ''}
        onChange={(e) =>
          onAct(
            e.currentTarget.value === '' ? { action: 'leaveSet' } : { action: 'joinSet', setId: e.currentTarget.value },
          )
        }
        data={[{ value: '', label: 'in no set' }, ...sets.map((s) => ({ value: s.id, label: s.name }))]}
      />
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
        onClick={() => {
          onAct({ action: 'retire', as, reason: reason.trim() });
          void announceDeletion(`${piece.tag} is retired.`, () => onAct({ action: 'unretire' }));
        }}
      >
        Retire
      </Action>
      <ProblemNote error={error} />
    </div>
  );
}

type PieceForm = { [K in keyof DescribePieceDto]: DescribePieceDto[K] };
const FIELDS = [
  'massKg',
  'diameterM',
  'boreFit',
  'look',
  'hand',
  'hubThicknessM',
  'droopM',
  'bladeTags',
  'colour',
  'note',
  'photoSha256',
] as const satisfies readonly (keyof PieceForm)[];

function Describe({ piece }: { piece: PieceDetailView }) {
  const [describe] = useDescribePieceMutation();
  const [reread] = useLazyPieceQuery();
  const {
    form: kept,
    save,
    isBusy,
    notes,
  } = useKeptForm<PieceForm>({
    keptAs: `piece/${piece.id}`,
    row: piece,
    Dto: DescribePieceDto,
    blank: Object.fromEntries(FIELDS.map((f) => [f, null])) as unknown as PieceForm,
    send: (body, id, revision) => describe({ id, body: { ...body, revision: revision! } }).unwrap(),
    reread: () => reread(piece.id).unwrap(),
    onDone: () => undefined,
  });
  const { control, handleSubmit, setValue, watch } = kept;
  const photo = watch('photoSha256');
  const onSave = handleSubmit(save);
  return (
    <form className={classes.sheet} noValidate onSubmit={(e) => void onSave(e)}>
      <h2>What is known</h2>
      {notes}
      <div className={form.group} style={{ padding: 0, border: 0, gridTemplateColumns: '1fr 1fr' }}>
        <QuantityField control={control} name="massKg" label="Weight" dimension="mass" />
        <QuantityField control={control} name="diameterM" label="Diameter" dimension="length" />
        <ChoiceField
          control={control}
          name="boreFit"
          label="Bore"
          none="not tried yet"
          choices={boreFits.map((b) => ({ value: b, label: boreFitNames[b] }))}
        />
        <ChoiceField
          control={control}
          name="look"
          label="Look and feel"
          none="not looked at yet"
          choices={looks.map((l) => ({ value: l, label: lookNames[l] }))}
        />
        <ChoiceField
          control={control}
          name="hand"
          label="Hand"
          choices={pieceHands.map((h) => ({ value: h, label: handNames[h] }))}
        />
        <QuantityField control={control} name="hubThicknessM" label="Hub thickness" dimension="length" />
        <QuantityField
          control={control}
          name="droopM"
          label="Droop under 50 g"
          dimension="length"
          description="at the tip of one blade"
        />
        <TextField
          control={control}
          name="bladeTags"
          label="Blade tags"
          description="of a folding prop, from the mark at the hub"
        />
        <TextField control={control} name="colour" label="Colour" />
        <div className={form.wide}>
          <NoteField control={control} name="note" label="Note" />
        </div>
      </div>
      <div className={classes.photo}>
        {photo !== null && photo !== undefined && <img src={`/api/blobs/${photo}`} alt={`${piece.tag} when new`} />}
        <PhotoKey
          label={photo === null ? 'Photo when new' : 'Another photo'}
          onStored={(sha256) => setValue('photoSha256', sha256, { shouldDirty: true })}
        />
      </div>
      <Action type="submit" disabled={isBusy}>
        Write it down
      </Action>
    </form>
  );
}
