import { TextInput } from '@mantine/core';
import { flyLimits, type CraftView, type FlyView } from '@zivvo/contract';
import { useFlyQuery, useSetFlightProtocolMutation } from '../shared/api/flyApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useGo } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { FlyTabs } from './FlyTabs.tsx';
import classes from './Fly.module.css';

/** How climbs are flown with this craft; a change is another version. */
export function Component() {
  return <WithCraft station="Fly">{(craft) => <ProtocolOf craft={craft} key={craft.id} />}</WithCraft>;
}

function ProtocolOf({ craft }: { craft: CraftView }) {
  return <Ready query={useFlyQuery(craft.id)}>{(fly) => <Protocol craft={craft} fly={fly} />}</Ready>;
}

function Protocol({ craft, fly }: { craft: CraftView; fly: FlyView }) {
  const go = useGo();
  const { protocol } = fly;
  const [send, sending] = useSetFlightProtocolMutation();
  const { ask, isAsking, asking } = useAsking();
  const [typed, setTyped, handedOver] = useKept(`fly/protocol/${craft.id}/${protocol.version}`, () => ({
    angle: String(protocol.angleDegrees),
    lower: String(protocol.lowerM),
    upper: String(protocol.upperM),
  }));
  const set = (change: Partial<typeof typed>): void => setTyped((now) => ({ ...now, ...change }));
  const angle = numberIn(typed.angle, flyLimits.angleDegrees);
  const lower = numberIn(typed.lower, flyLimits.heightM);
  const upper = numberIn(typed.upper, flyLimits.heightM);
  const areCrossed = lower.value !== null && upper.value !== null && lower.value >= upper.value;
  const isGood = angle.value !== null && lower.value !== null && upper.value !== null && !areCrossed;
  const isSame =
    angle.value === protocol.angleDegrees && lower.value === protocol.lowerM && upper.value === protocol.upperM;
  const keep = async (): Promise<void> => {
    const body = { angleDegrees: angle.value!, lowerM: lower.value!, upperM: upper.value! };
    try {
      await ask(() => send({ craftId: craft.id, body }).unwrap());
    } catch {
      return;
    }
    handedOver();
    go('/fly');
  };
  const left = fly.cards.filter((c) => c.protocol.version === protocol.version).length;
  return (
    <StationPage
      eyebrow={`Fly · Protocol · ${craft.name}`}
      headline={isSame ? `Protocol ${protocol.version} is in force` : `This makes protocol ${protocol.version + 1}`}
      tools={<FlyTabs />}
      reasons={
        <p style={{ margin: 0 }}>
          {isSame
            ? 'Every prop is flown the same way, or nothing is told apart. Heights are above where it took off.'
            : left === 0
              ? 'No card is flown by the protocol in force yet: nothing is lost.'
              : `${left} ${left === 1 ? 'card' : 'cards'} of protocol ${protocol.version} stay on record and are ` +
                'to be flown again.'}
        </p>
      }
      actions={
        <Action weight="main" disabled={!isGood || isSame || isAsking} onClick={() => void keep()}>
          Keep protocol
        </Action>
      }
    >
      <section className={classes.sheet}>
        <h2>The climb</h2>
        <div className={classes.fields}>
          <TextInput
            label="Angle, °"
            inputMode="decimal"
            value={typed.angle}
            onChange={(e) => set({ angle: e.currentTarget.value })}
            error={angle.error}
          />
          <TextInput
            label="From, m"
            inputMode="decimal"
            value={typed.lower}
            onChange={(e) => set({ lower: e.currentTarget.value })}
            error={lower.error}
          />
          <TextInput
            label="To, m"
            inputMode="decimal"
            value={typed.upper}
            onChange={(e) => set({ upper: e.currentTarget.value })}
            error={areCrossed ? 'above where the climb begins' : upper.error}
          />
        </div>
        <AskedNote asking={asking} error={sending.error} />
      </section>
      <section className={classes.sheet}>
        <h2>In the same way every time</h2>
        <p>A steady entry below the lower height; the clock runs from the lower to the upper one.</p>
        <p>Passes at full throttle, level, there and back on one line, or three headings all round.</p>
        <p>A pack above its gate for every flight. Motors are felt within twenty seconds, with the pack out.</p>
      </section>
    </StationPage>
  );
}
