import { IconGauge, IconPackage, IconPropeller, IconTent, IconWaveSine, type Icon } from '@tabler/icons-react';
import { Link } from 'react-router';
import { useOpenDemoMutation } from '../api/workshopApi.ts';
import { useInHand } from '../inHand/useInHand.ts';
import { ProblemNote } from './PageStates.tsx';
import classes from './FirstSteps.module.css';

const STEPS: readonly { path: string; icon: Icon; title: string; says: string }[] = [
  {
    path: '/crafts/new?then=pick',
    icon: IconPropeller,
    title: 'I need props for a craft',
    says: 'Begin with a usual one, change what differs, and see what fits it.',
  },
  {
    path: '/rack/new?then=delivery',
    icon: IconPackage,
    title: 'A bag came in',
    says: 'Type the label, then weigh and look at every piece.',
  },
  {
    path: '/fit/sketch',
    icon: IconWaveSine,
    title: 'It tips over or shakes',
    says: 'A sketch of arms, spins and hands is enough; what shakes is asked for.',
  },
  {
    path: '/stand/first',
    icon: IconGauge,
    title: 'I measured something',
    says: 'Type thrust, rpm, amps and volts; craft and prop are asked on the way.',
  },
];

/** What people come with, before anything was written down. */
export function FirstSteps() {
  const { to } = useInHand();
  return (
    <nav className={classes.steps} aria-label="First steps">
      {STEPS.map(({ path, icon: StepIcon, title, says }) => (
        <Link key={path} to={to(path)} className={classes.step}>
          <StepIcon size={28} stroke={1.5} aria-hidden />
          <strong>{title}</strong>
          <span>{says}</span>
        </Link>
      ))}
      <LookAround />
    </nav>
  );
}

/** The demo workshop, in a folder and a window of its own: nothing of it gets into the one here. */
function LookAround() {
  const [open, opening] = useOpenDemoMutation();
  const address = opening.data?.address;
  return (
    <div className={classes.step} data-plain>
      <IconTent size={28} stroke={1.5} aria-hidden />
      <strong>Look around first</strong>
      {address === undefined ? (
        <button type="button" className={classes.open} disabled={opening.isLoading} onClick={() => void open()}>
          {opening.isLoading ? 'Opening it; the first time takes a minute…' : 'Open the demo workshop beside this one'}
        </button>
      ) : (
        <a className={classes.open} href={address} target="_blank" rel="noreferrer">
          The demo workshop is open: go there
        </a>
      )}
      <span>An invented shed with four craft. It runs in a folder of its own.</span>
      <ProblemNote error={opening.error} />
    </div>
  );
}
