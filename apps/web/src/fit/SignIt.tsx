import { NativeSelect } from '@mantine/core';
import type { FittingView } from '@zivvo/contract';
import { usePerson } from '../shared/store/usePerson.ts';
import { usePeopleQuery } from '../shared/api/workshopApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import classes from './FitPage.module.css';

/** The signature: somebody gives it, and what is missing beside it stands above it and goes with it. */
export function SignIt({ view, isBusy, onSign }: { view: FittingView; isBusy: boolean; onSign: () => void }) {
  const format = useFormat();
  const { to } = useInHand();
  const { personId, choose } = usePerson();
  const { data: people } = usePeopleQuery();
  const signer = people?.items.find((p) => p.id === personId);
  return (
    <>
      {view.missing.length > 0 && (
        <section aria-label="Missing beside the signature" className={classes.beside}>
          <h2>It does not make this good</h2>
          <ul>
            {view.missing.map((reason) => (
              <li key={`${reason.code}${JSON.stringify(reason.values)}`}>{format.sentence(reason)}</li>
            ))}
          </ul>
        </section>
      )}
      {people && !signer && people.total > 0 && (
        <NativeSelect
          label="Who signs?"
          value=""
          onChange={(e) => choose(e.currentTarget.value)}
          data={[{ value: '', label: 'choose' }, ...people.items.map((p) => ({ value: p.id, label: p.name }))]}
        />
      )}
      {people?.total === 0 ? (
        <ActionLink weight="main" to={to('/settings')}>
          Say who works: a signature needs a person
        </ActionLink>
      ) : (
        <Action weight="main" hint="k" disabled={isBusy || !signer} onClick={onSign}>
          {signer ? `Sign for it as ${signer.name}` : 'Sign for it'}
        </Action>
      )}
    </>
  );
}
