import type { CraftView, SayingsView } from '@zivvo/contract';
import { wishMeasures, type SayingAnswer, type SayingPair, type WishName } from '@zivvo/core';
import { sayingStatusWords, sayingWords, sourceNames, wishTold, wishWords } from '@zivvo/words';
import { useSayingsQuery } from '../shared/api/judgeApi.ts';
import { useFormat, type Format } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Judge.module.css';
import { JudgeTabs } from './JudgeTabs.tsx';
import { differenceText, sayingsHeadline } from './judgeView.ts';

/** A dozen sayings of the trade, answered for the craft in hand. */
export function Component() {
  return <WithCraft station="Judge">{(craft) => <SayingsOf craft={craft} key={craft.id} />}</WithCraft>;
}

function SayingsOf({ craft }: { craft: CraftView }) {
  return <Ready query={useSayingsQuery(craft.id)}>{(view) => <Sayings craft={craft} view={view} />}</Ready>;
}

function Sayings({ craft, view }: { craft: CraftView; view: SayingsView }) {
  const { to } = useInHand();
  return (
    <StationPage
      eyebrow={`Judge · ${craft.name} · Sayings`}
      headline={sayingsHeadline(craft.name, view)}
      detail={
        view.referenceName === null
          ? undefined
          : 'By its own readings where two props differ in that and little else, otherwise by the model at ' +
            `${view.referenceName}`
      }
      tools={<JudgeTabs />}
      reasons={
        <p className="muted">
          A saying may be true of most craft and not of this one. What is only predicted is worth a test; what makes no
          difference that matters to you is not.
        </p>
      }
    >
      {view.items.length === 0 ? (
        <EmptyPage
          title="Say which prop it flies"
          actions={
            <ActionLink weight="main" to={to(`/crafts/${craft.id}/edit`)}>
              Edit the craft
            </ActionLink>
          }
        >
          <p>Sayings are asked at the prop in use; without one there is nothing to change.</p>
        </EmptyPage>
      ) : (
        <section className={classes.sheet} aria-label="Sayings of the trade">
          <ul className={classes.rows}>
            {view.items.map((item) => (
              <Saying key={item.name} item={item} />
            ))}
          </ul>
        </section>
      )}
    </StationPage>
  );
}

/** Where a wish is measured; a strike is nothing that anybody should try. */
const TESTS: Partial<Record<WishName, { path: string; words: string }>> = {
  thrust: { path: '/stand/new', words: 'Test it on the stand' },
  minutes: { path: '/stand/new', words: 'Test it on the stand' },
  cool: { path: '/fly/new', words: 'Feel the motors after a flight' },
  answer: { path: '/stand/new', words: 'Test it with bursts' },
  quiet: { path: '/listen/new', words: 'Test it by ear' },
  speed: { path: '/fly/new', words: 'Test it with passes' },
  climb: { path: '/fly/new', words: 'Test it with climbs' },
};

function Saying({ item }: { item: SayingAnswer }) {
  const format = useFormat();
  const { to } = useInHand();
  const test = TESTS[item.wish];
  return (
    <li>
      <span>
        <strong>{`“${sayingWords[item.name]}”`}</strong>
        <span className={classes.saying} data-status={item.status}>
          {sayingStatusWords[item.status]}
        </span>
      </span>
      <span>
        {item.predicted !== null && (
          <span>{`${wishWords[item.wish]}: ${told(item.wish, item.predicted, format)}, predicted`}</span>
        )}
        {item.predicted === null && item.pairs.length === 0 && (
          <span className="muted">Nothing here to change, or nothing that predicts it.</span>
        )}
        {item.pairs.map((pair) => (
          <span key={`${pair.moreName}${pair.lessName}`} className={classes.under}>
            {pairText(item.wish, pair)}
          </span>
        ))}
      </span>
      {test !== undefined && item.status !== 'untold' && (
        <ActionLink weight="quiet" to={to(test.path)}>
          {test.words}
        </ActionLink>
      )}
    </li>
  );
}

const told = (wish: WishName, difference: number, format: Format): string =>
  `${differenceText(wish, difference, format)} (${difference > 0 ? wishTold[wish].more : wishTold[wish].less})`;

function pairText(wish: WishName, { moreName, lessName, gain, halfWidth, source }: SayingPair): string {
  const by = sourceNames[source];
  if (Math.abs(gain) <= halfWidth) return `${moreName} cannot be told apart from ${lessName}, ${by}`;
  const { more, less } = wishTold[wish];
  return `${moreName}: ${gain * wishMeasures[wish].direction > 0 ? more : less} than ${lessName}, ${by}`;
}
