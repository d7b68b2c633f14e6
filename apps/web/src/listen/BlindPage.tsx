import { NativeSelect } from '@mantine/core';
import type { CraftView, ListeningView, TakeView, VoteCountView } from '@zivvo/contract';
import { formatNumber, formatShare } from '@zivvo/words';
import { useRef, useState } from 'react';
import { v7 } from 'uuid';
import { useVoteSoundMutation } from '../shared/api/listenApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { useKeys } from '../shared/keys/keys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { playablePairs, type Pair } from './blindPairs.ts';
import { useLevelMatched } from './useLevelMatched.ts';
import { useOpenListening } from './useOpenListening.ts';

/** Two recordings, level-matched and without their names: which would you rather hear overhead? */
export function Component() {
  return <WithCraft station="Listen">{(craft) => <BlindOf craft={craft} key={craft.id} />}</WithCraft>;
}

function BlindOf({ craft }: { craft: CraftView }) {
  const { query } = useOpenListening(craft.id);
  return <Ready query={query}>{({ open }) => <Blind craft={craft} open={open} />}</Ready>;
}

function Blind({ craft, open }: { craft: CraftView; open: ListeningView | null }) {
  const { to } = useInHand();
  const pairs = open ? playablePairs(open.takes) : [];
  const [chosen, choose] = useState(0);
  const [isShown, show] = useState(false);
  const pair = pairs[Math.min(chosen, pairs.length - 1)];
  if (!open || !pair)
    return (
      <StationPage
        eyebrow={`Listen · Unseen · ${craft.name}`}
        headline="Two recordings are needed"
        tools={<ListenTabs />}
      >
        <EmptyPage
          title="Record two props first"
          actions={
            <ActionLink weight="main" to={to(open ? `/listen/new?listening=${open.id}` : '/listen/new')}>
              Take a sound
            </ActionLink>
          }
        >
          <p>
            Recordings of one listening are played at one level and without their names, so that the ear alone votes.
          </p>
        </EmptyPage>
      </StationPage>
    );
  return (
    <StationPage
      eyebrow={`Listen · Unseen · ${craft.name}`}
      headline={isShown ? voteHeadline(open.votes, pair) : 'Which would you rather hear overhead?'}
      detail="Both are played at one level; which is which changes with every vote."
      tools={<ListenTabs />}
      reasons={<Hints votes={open.votes} isShown={isShown} />}
      actions={<Action onClick={() => show(!isShown)}>{isShown ? 'Hide the votes' : 'Show the votes'}</Action>}
    >
      {pairs.length > 1 && (
        <div className={classes.row}>
          <NativeSelect
            label="Pair"
            value={String(chosen)}
            onChange={(e) => choose(Number(e.currentTarget.value))}
            data={pairs.map((p, i) => ({ value: String(i), label: `${p.first.name} or ${p.second.name}` }))}
          />
        </div>
      )}
      <Trial craft={craft} open={open} pair={pair} key={`${pair.first.id}/${pair.second.id}`} />
      {isShown && <Votes votes={open.votes} />}
    </StationPage>
  );
}

function Trial({ craft, open, pair }: { craft: CraftView; open: ListeningView; pair: Pair }) {
  const [vote, voting] = useVoteSoundMutation();
  const { ask, isAsking, asking } = useAsking();
  // Which of the two is played as the first is drawn anew for every vote.
  const [order, setOrder] = useState(() => Math.random() < 0.5);
  const heard = useRef(new Set<string>());
  const [heardCount, setHeardCount] = useState(0);
  const [one, other] = order ? [pair.first, pair.second] : [pair.second, pair.first];
  const player = useLevelMatched(pair);
  const listen = async (name: 'one' | 'other', take: TakeView): Promise<void> => {
    if (!(await player.play(take))) return;
    heard.current.add(name);
    setHeardCount(heard.current.size);
  };
  const like = async (liked: TakeView, left: TakeView): Promise<void> => {
    const body = { id: v7(), likedTakeId: liked.id, otherTakeId: left.id };
    try {
      await ask(() => vote({ craftId: craft.id, listeningId: open.id, body }).unwrap());
    } catch {
      return;
    }
    player.stop();
    heard.current.clear();
    setHeardCount(0);
    setOrder(Math.random() < 0.5);
  };
  const canVote = heardCount === 2 && !isAsking;
  useKeys([
    { key: '1', what: 'Play the first', run: () => void listen('one', one) },
    { key: '2', what: 'Play the second', run: () => void listen('other', other) },
  ]);
  return (
    <section className={classes.sheet} aria-label="Unseen">
      <div className={classes.choice}>
        <Action onClick={() => void listen('one', one)}>Play the first</Action>
        <Action onClick={() => void listen('other', other)}>Play the second</Action>
        <Action disabled={!canVote} onClick={() => void like(one, other)}>
          Rather the first
        </Action>
        <Action disabled={!canVote} onClick={() => void like(other, one)}>
          Rather the second
        </Action>
      </div>
      <p role="status" style={{ margin: '10px 0 0' }} className="muted">
        {player.problem ??
          (player.playingId === null
            ? canVote
              ? 'Vote, or hear them again.'
              : 'Hear both before you vote.'
            : 'playing…')}
      </p>
      <AskedNote asking={asking} error={voting.error} />
    </section>
  );
}

/** Under this chance a split of votes says something of the props. */
const TELLING_CHANCE = 0.05;

function voteHeadline(votes: readonly VoteCountView[], pair: Pair): string {
  const own = votes.find((v) =>
    [pair.first.soundKey, pair.second.soundKey].every((key) => key === v.likedKey || key === v.otherKey),
  );
  if (!own) return 'No vote on this pair yet';
  return own.chance < TELLING_CHANCE
    ? `${own.likedName} is liked better, ${own.liked} of ${own.votes}`
    : `${own.liked} of ${own.votes} for ${own.likedName}: chance does that too`;
}

function Votes({ votes }: { votes: readonly VoteCountView[] }) {
  return (
    <section className={classes.sheet} aria-label="Votes">
      <h2>Votes</h2>
      {votes.length === 0 && <p>None yet.</p>}
      <ul className={classes.takes}>
        {votes.map((v) => (
          <li key={`${v.likedKey}/${v.otherKey}`}>
            <strong>{v.likedName}</strong>
            <span>{`${v.liked} of ${v.votes} against ${v.otherName}`}</span>
            <span className="muted">{`chance alone: ${formatShare(v.chance, v.chance < 0.1 ? 1 : 0)}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Hints({ votes, isShown }: { votes: readonly VoteCountView[]; isShown: boolean }) {
  const count = votes.reduce((sum, v) => sum + v.votes, 0);
  return (
    <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
      <li>Level-matched: what is left is the kind of the sound, not its loudness.</li>
      <li>Five votes all one way happen by chance once in sixteen; ten once in five hundred.</li>
      {!isShown && (
        <li>{`${formatNumber(count, 0)} ${count === 1 ? 'vote' : 'votes'} so far; whose stays hidden until you ask.`}</li>
      )}
      <li>It is opinion: it stays beside the levels and is never averaged into them.</li>
    </ul>
  );
}
