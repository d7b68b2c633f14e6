import type { CareView, CraftView, PropLookView, WalkaroundView } from '@zivvo/contract';
import { bladePlaces, findingsAt, LEAST_LOOK_S, type CarePlace } from '@zivvo/core';
import { careOutcomeNames, carePlaceNames, findingNames, formatNumber, lookSideNames, placeNames } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useKeys } from '../shared/keys/keys.ts';
import { useCareQuery, useWalkRoundMutation } from '../shared/api/careApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { PhotoKey } from '../shared/ui/PhotoKey.tsx';
import { ReadyList } from '../shared/ui/ReadyList.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Care.module.css';
import { OpenOutcome } from './CarePage.tsx';
import { CareTabs } from './CareTabs.tsx';
import { SideGlyph } from './SideGlyph.tsx';
import {
  isWalked,
  localDay,
  newWalk,
  nextSide,
  outcomeHeadline,
  placesOfSide,
  toWalkaround,
  withBack,
  withFinding,
  withLook,
  withSeen,
  type Walk,
} from './careView.ts';

/** One prop after another, three taps each: top, underside, edges and root. */
export function Component() {
  return <WithCraft station="Care">{(craft) => <WalkOfCraft craft={craft} key={craft.id} />}</WithCraft>;
}

function WalkOfCraft({ craft }: { craft: CraftView }) {
  const query = useCareQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(care) => <WalkRound craft={craft} care={care} />}
    </Ready>
  );
}

/** What was seen so far is taken up again, with the same number of arms and on the same day. */
function useKeptWalk(craft: CraftView): [Walk, (change: (walk: Walk) => Walk) => void, () => void] {
  const [day] = useState(() => localDay(Date.now()));
  return useKept<Walk>(`walkaround/${craft.id}/${craft.rotors.length}/${day}`, () => newWalk(craft.rotors));
}

function WalkRound({ craft, care }: { craft: CraftView; care: CareView }) {
  const [walk, change, restart] = useKeptWalk(craft);
  const [open, setOpen] = useState<'no' | 'places' | CarePlace>('no');
  const [blade, setBlade] = useState<number | null>(null);
  const { data: models } = usePropModelsQuery();
  const [keep, keeping] = useWalkRoundMutation();
  const [done, setDone] = useState<WalkaroundView | null>(null);
  const { to } = useInHand();
  const look = walk.looks[walk.at]!;
  const side = nextSide(look);
  const see = (): void => {
    setOpen('no');
    change((w) => withSeen(w, Date.now()));
  };
  const { ask, isAsking, asking } = useAsking();
  const write = async (): Promise<void> => {
    if (isAsking) return;
    try {
      const body = toWalkaround(v7(), walk, Date.now());
      setDone(await ask(() => keep({ craftId: craft.id, body }).unwrap()));
      restart();
    } catch {
      // The note below says why; what was seen stays.
    }
  };
  const isReady = isWalked(walk);
  useKeys([
    {
      key: 'n',
      what: isReady ? 'Write the look down' : 'This side is seen',
      run: () => (isReady ? void write() : see()),
    },
    { key: 'b', what: 'One tap back', run: () => change(withBack) },
    { key: 'w', what: 'Something is wrong here', run: () => setOpen(open === 'no' ? 'places' : 'no') },
  ]);
  if (done) return <Result craft={craft} care={care} walk={done} onAgain={() => setDone(null)} />;
  const on = care.pieces.find((p) => p.piece.place === look.place && p.piece.level === look.level);
  const bladeCount =
    models?.items.find((m) => m.id === (on?.piece.propModelId ?? craft.referencePropModelId))?.bladeCount ?? 2;
  const bladeTags = (on?.piece.bladeTags ?? '').split(/[\s,]+/).filter((tag) => tag !== '');
  const seenCount = walk.looks.filter((l) => nextSide(l) === null).length;
  return (
    <StationPage
      eyebrow={`Care · Walk round · ${craft.name}`}
      headline={
        isReady
          ? 'All seen: write it down'
          : `${on?.piece.tag ?? placeNames[look.place]}: ${side === null ? 'seen' : lookSideNames[side].toLowerCase()}`
      }
      detail={`${seenCount} of ${walk.looks.length} props seen. Pack out first; turn each by hand.`}
      tools={<CareTabs />}
      reasons={<Hints side={side} />}
      actions={
        <>
          <Action
            weight={isReady ? 'main' : 'plain'}
            hint={isReady ? 'n' : undefined}
            disabled={!isReady || keeping.isLoading}
            onClick={() => void write()}
          >
            Write the look down
          </Action>
          <Action weight="quiet" onClick={() => change(() => newWalk(craft.rotors))}>
            Start again
          </Action>
        </>
      }
    >
      <div className={classes.walk}>
        <PropBeside
          craft={craft}
          care={care}
          walk={walk}
          onTake={(at) => {
            setOpen('no');
            change((w) => ({ ...w, at }));
          }}
          onPhoto={(sha256) => change((w) => withLook(w, { photoSha256: sha256 }))}
        />
        <section className={classes.sheet} aria-label="What is seen">
          {look.findings.length > 0 && (
            <ul className={classes.rows} aria-label="Found here">
              {look.findings.map((f) => (
                <li
                  key={`${f.place}/${f.what}/${f.blade ?? ''}`}
                  style={{ display: 'flex', gap: 10, alignItems: 'center' }}
                >
                  <strong
                    style={{ flex: 1 }}
                  >{`${findingNames[f.what]}: ${carePlaceNames[f.place]}${f.blade ? ` of blade ${f.blade}` : ''}`}</strong>
                  <Action
                    weight="quiet"
                    onClick={() => change((w) => withFinding(w, f.place, f.what, f.blade ?? null))}
                  >
                    Take back
                  </Action>
                </li>
              ))}
            </ul>
          )}
          {open === 'no' && (
            <div className={classes.taps}>
              {side !== null && (
                <button type="button" className={classes.key} data-big onClick={see}>
                  {lookSideNames[side]} seen
                  <small>{look.findings.length === 0 ? 'nothing wrong there' : 'the rest is good'}</small>
                </button>
              )}
              <button type="button" className={classes.key} onClick={() => setOpen('places')}>
                Something is wrong
                <small>eleven places, what was felt or seen</small>
              </button>
              {(walk.at > 0 || look.seen.length > 0) && (
                <button type="button" className={classes.key} onClick={() => change(withBack)}>
                  One tap back
                </button>
              )}
            </div>
          )}
          {open === 'places' && (
            <>
              <h3>Where?</h3>
              <div className={classes.keys}>
                {placesOfSide[side ?? 'top'].map((place) => (
                  <button key={place} type="button" className={classes.key} onClick={() => setOpen(place)}>
                    {carePlaceNames[place]}
                  </button>
                ))}
                <button type="button" className={classes.key} onClick={() => setOpen('no')}>
                  Nothing after all
                </button>
              </div>
            </>
          )}
          {open !== 'no' && open !== 'places' && (
            <>
              {bladePlaces.includes(open) && (
                <>
                  <h3>Which blade? Count from the mark at the hub, clockwise as the label is seen</h3>
                  <div className={classes.keys} role="group" aria-label="Which blade">
                    {Array.from({ length: bladeCount }, (_, i) => i + 1).map((n) => (
                      <button
                        key={n}
                        type="button"
                        className={classes.key}
                        aria-pressed={blade === n}
                        onClick={() => setBlade(blade === n ? null : n)}
                      >
                        {bladeTags[n - 1] === undefined ? `Blade ${n}` : `Blade ${n}: ${bladeTags[n - 1]}`}
                      </button>
                    ))}
                  </div>
                </>
              )}
              <h3>{`What is at the ${carePlaceNames[open]}?`}</h3>
              <div className={classes.keys}>
                {findingsAt(open).map((what) => (
                  <button
                    key={what}
                    type="button"
                    className={classes.key}
                    onClick={() => {
                      change((w) => withFinding(w, open, what, bladePlaces.includes(open) ? blade : null));
                      setBlade(null);
                      setOpen('no');
                    }}
                  >
                    {findingNames[what]}
                  </button>
                ))}
                <button type="button" className={classes.key} onClick={() => setOpen('places')}>
                  Another place
                </button>
              </div>
            </>
          )}
          <AskedNote asking={asking} error={keeping.error} />
        </section>
      </div>
      <p className="muted">
        <ActionLink weight="quiet" to={to('/care')}>
          Back without a look
        </ActionLink>
      </p>
    </StationPage>
  );
}

const HINTS = {
  top: 'Tilt it to the light. White at the root means it has yielded; it hides on white, clear and black.',
  underside: 'White marks often show on the underside only. Look at the bore and the seat.',
  edges:
    'Draw a finger along both edges, out and back. What is felt counts. Flex the root gently and look again: ' +
    'sound balance does not prove a sound blade.',
};

function Hints({ side }: { side: keyof typeof HINTS | null }) {
  return (
    <p style={{ margin: 0 }}>
      {side === null ? 'Turn each by hand once more: no click, no grind, nothing rubs.' : HINTS[side]}
    </p>
  );
}

/** The prop that is looked at: tag, arm, how it looked when new, and how it looks now. */
function PropBeside({
  craft,
  care,
  walk,
  onTake,
  onPhoto,
}: {
  craft: CraftView;
  care: CareView;
  walk: Walk;
  onTake: (at: number) => void;
  onPhoto: (sha256: string) => void;
}) {
  const { data: models } = usePropModelsQuery();
  const look = walk.looks[walk.at]!;
  const pieceAt = (place: string, level: number) =>
    care.pieces.find((p) => p.piece.place === place && p.piece.level === level)?.piece ?? null;
  const piece = pieceAt(look.place, look.level);
  const model = models?.items.find((m) => m.id === (piece?.propModelId ?? craft.referencePropModelId));
  return (
    <section className={`${classes.sheet} ${classes.prop}`} aria-label="The prop">
      <span className={classes.tag}>{piece?.tag ?? '—'}</span>
      <strong>{`${placeNames[look.place]}${look.level === 1 ? ', lower' : ''}`}</strong>
      {model && <SideGlyph side={nextSide(look)} {...model} />}
      <div className={classes.dots} role="group" aria-label="Props">
        {walk.looks.map((l, i) => (
          <button
            key={`${l.place}/${l.level}`}
            type="button"
            className={classes.dot}
            data-done={nextSide(l) === null}
            data-found={l.findings.length > 0}
            aria-current={i === walk.at ? 'step' : undefined}
            onClick={() => onTake(i)}
            aria-label={
              `${pieceAt(l.place, l.level)?.tag ?? placeNames[l.place]}, ${l.seen.length} of 3 sides ` +
              `seen${l.findings.length > 0 ? ', something found' : ''}`
            }
          >
            {`${l.seen.length}/3`}
          </button>
        ))}
      </div>
      <div className={classes.photos}>
        {piece?.photoSha256 && (
          <figure>
            <img src={`/api/blobs/${piece.photoSha256}`} alt={`${piece.tag} when new`} />
            when new
          </figure>
        )}
        {look.photoSha256 && (
          <figure>
            <img src={`/api/blobs/${look.photoSha256}`} alt={`${piece?.tag ?? 'The prop'} now`} />
            now
          </figure>
        )}
      </div>
      <PhotoKey label="Photo of how it looks now" onStored={onPhoto} />
    </section>
  );
}

/** What the look ends in: fit to fly, or what to do with each piece. */
function Result({
  craft,
  care,
  walk,
  onAgain,
}: {
  craft: CraftView;
  care: CareView;
  walk: WalkaroundView;
  onAgain: () => void;
}) {
  const { to } = useInHand();
  const format = useFormat();
  const headline = outcomeHeadline(craft.name, walk, care.ready);
  const isFit = walk.outcome === 'fly' && care.ready.verdict === 'fit';
  return (
    <StationPage
      eyebrow={`Care · Walk round · ${craft.name}`}
      headline={headline}
      detail={
        `${formatNumber(walk.durationS, 0)} s for ${walk.looks.length} ` +
        `props${walk.isHurried ? `: under ${formatNumber(LEAST_LOOK_S, 0)} s a prop nobody sees a hair crack` : ''}.`
      }
      tools={<CareTabs />}
      reasons={
        <>
          <ReadyList ready={care.ready} here="walk" />
          {care.reasons.length > 0 && <ReasonList reasons={care.reasons} />}
        </>
      }
      actions={
        <>
          <ActionLink weight={isFit ? 'main' : 'plain'} to={to('/care')}>
            Back to what is due
          </ActionLink>
          <Action onClick={onAgain}>Look again</Action>
        </>
      }
    >
      <p className={classes.verdict} data-fit={isFit} role="status">
        {isFit ? 'Fit to fly' : 'Not yet'}
      </p>
      <section className={classes.sheet} aria-label="What becomes of each">
        <ul className={classes.rows}>
          {walk.looks.map((look) => (
            <Outcome key={`${look.place}/${look.level}`} craft={craft} care={care} look={look} say={format.sentence} />
          ))}
        </ul>
      </section>
    </StationPage>
  );
}

function Outcome({
  craft,
  care,
  look,
  say,
}: {
  craft: CraftView;
  care: CareView;
  look: PropLookView;
  say: (reason: PropLookView['reasons'][number]) => string;
}) {
  const cared = care.pieces.find((p) => p.piece.id === look.pieceId);
  return (
    <li>
      <strong className="mono">{look.tag ?? placeNames[look.place]}</strong>
      {` ${careOutcomeNames[cared ? (cared.openOutcome ?? 'fly') : look.outcome]}`}
      {look.reasons.map((r) => (
        <span key={r.code} style={{ display: 'block' }}>
          {say(r)}
        </span>
      ))}
      {cared?.openOutcome && <OpenOutcome craft={craft} care={care} cared={cared} outcome={cared.openOutcome} />}
    </li>
  );
}
