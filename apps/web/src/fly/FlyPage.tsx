import type { CraftView, FlightCardView, FlyView } from '@zivvo/contract';
import { formatNumber, opinionNames } from '@zivvo/words';
import { useMemo } from 'react';
import { useFlyQuery, useRemoveFlightCardMutation, useRestoreFlightCardMutation } from '../shared/api/flyApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { useKeys } from '../shared/keys/keys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { FlyTable } from './FlyTable.tsx';
import { FlyTabs } from './FlyTabs.tsx';
import classes from './Fly.module.css';
import { flightFigureText, flyHeadline, flyWorking, windText } from './flyView.ts';

/** What the air says of the props of a craft, side by side. */
export function Component() {
  return <WithCraft station="Fly">{(craft) => <FlyOf craft={craft} key={craft.id} />}</WithCraft>;
}

function FlyOf({ craft }: { craft: CraftView }) {
  return <Ready query={useFlyQuery(craft.id)}>{(fly) => <Fly craft={craft} fly={fly} />}</Ready>;
}

function Fly({ craft, fly }: { craft: CraftView; fly: FlyView }) {
  const { to } = useInHand();
  const go = useGo();
  const { data: models } = usePropModelsQuery();
  useKeys([
    { key: 'n', what: 'A flight card', run: () => go('/fly/new') },
    { key: 'l', what: 'Read a log', run: () => go('/fly/log') },
  ]);
  const told = useMemo(() => flyWorking(fly), [fly]);
  const { angleDegrees, lowerM, upperM, version } = fly.protocol;
  return (
    <StationPage
      eyebrow={`Fly · ${craft.name}`}
      headline={flyHeadline(fly)}
      detail={
        `Climbs at ${formatNumber(angleDegrees, 0)}° from ${formatNumber(lowerM, 0)} to ` +
        `${formatNumber(upperM, 0)} m, protocol ${version}; top speed of passes both ways or all round`
      }
      working={told && <HeadlineWorking working={told.working} subject={told.subject} />}
      tools={<FlyTabs />}
      reasons={<ReasonList reasons={fly.comparison.reasons} />}
      actions={
        <>
          <ActionLink weight="main" hint="n" to={to('/fly/new')}>
            Flight card
          </ActionLink>
          <ActionLink hint="l" to={to('/fly/log')}>
            Read a log
          </ActionLink>
        </>
      }
    >
      {fly.total === 0 ? (
        <EmptyPage title="Fly each prop the same way, twice">
          <p>
            A climb at one angle between two heights, a pass there and one back at full throttle, a minute of hover: one
            card a flight. The wind falls out, the stand’s figures stand beside, and what was felt stays opinion.
          </p>
          <p>
            With a log on board, read it here: climbs, passes and hovers are found on the track, and the rotor that
            shakes is named.
          </p>
        </EmptyPage>
      ) : (
        <>
          <FlyTable
            craft={craft}
            fly={fly}
            models={models?.items ?? []}
            onOpen={(propId) => go('/fly/new', { propModelId: propId })}
          />
          <CardList craft={craft} fly={fly} />
        </>
      )}
    </StationPage>
  );
}

function CardList({ craft, fly }: { craft: CraftView; fly: FlyView }) {
  return (
    <section className={classes.sheet} aria-label="Flight cards">
      <h2>{fly.isCut ? `The last ${fly.cards.length} of ${fly.total} cards` : `${fly.total} flight cards`}</h2>
      <ul className={classes.cards}>
        {fly.cards.map((card) => (
          <Card key={card.id} craft={craft} card={card} />
        ))}
      </ul>
    </section>
  );
}

function Card({ craft, card }: { craft: CraftView; card: FlightCardView }) {
  const format = useFormat();
  const { to } = useInHand();
  const [remove] = useRemoveFlightCardMutation();
  const [restore] = useRestoreFlightCardMutation();
  const { figures, wind } = card.worked;
  const said = (['climbRateMPerS', 'airspeedMPerS', 'hoverCurrentA', 'enduranceS'] as const).flatMap((name) => {
    const value = figures[name];
    return value === null ? [] : [flightFigureText(name, value)];
  });
  const takeOut = (): Promise<void> =>
    takeAway(remove({ craftId: craft.id, id: card.id }).unwrap(), {
      text: 'The card and its flight were taken out.',
      undo: () => void restore({ craftId: craft.id, id: card.id }),
      onGone: () => undefined,
    });
  return (
    <li>
      <span>
        <strong>{card.propName}</strong>
        <span className={classes.under}>
          {`${formatDay(card.flownAt)}, flight ${card.nthFlight} with it`}
          {card.nthFlight === 1 || card.isCarefulFirst ? ', not yet used to it' : ''}
        </span>
      </span>
      <span>
        {said.length === 0 ? 'nothing measured' : said.join(' · ')}
        {wind !== null && <span className="muted">{` · ${windText(wind)}`}</span>}
        {card.opinions.length > 0 && (
          <span className={classes.under}>
            {card.opinions
              .map((o) => `${opinionNames[o.topic]} ${o.stars} of 5${o.words ? `, “${o.words}”` : ''}`)
              .join(' · ')}
          </span>
        )}
      </span>
      <span className={classes.row}>
        {card.logSha256 !== null && (
          <ActionLink weight="quiet" to={to(`/fly/log?log=${card.logSha256}`)}>
            Its log
          </ActionLink>
        )}
        <Action weight="quiet" onClick={() => void takeOut()}>
          Take out
        </Action>
      </span>
      {card.refly.map((reason) => (
        <p key={reason.code} className={classes.refly}>
          {format.sentence(reason)}
        </p>
      ))}
    </li>
  );
}
