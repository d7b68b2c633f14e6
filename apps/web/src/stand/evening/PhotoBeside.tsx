import { useState } from 'react';
import { Action } from '../../shared/ui/Action.tsx';
import { FileDrop } from '../../shared/ui/FileDrop.tsx';
import classes from './Evening.module.css';
import type { RunSummaryView } from '@zivvo/contract';
import { photoPlaces } from './photoPlaces.ts';
import type { PhotoQueue } from './usePhotoQueue.ts';

/** The picture that belongs to the next run, large enough to read figures off it. */
export function PhotoBeside({ queue }: { queue: PhotoQueue }) {
  const { photos, place, step, leaveOut } = queue;
  const [isNear, setNear] = useState(false);
  const shown = photos[place];
  if (!shown) return null;
  const name = `${shown.name}, picture ${place + 1} of ${photos.length}`;
  return (
    <figure className={classes.photo} aria-label={name}>
      <div className={classes.frame} data-near={isNear}>
        <button type="button" onClick={() => setNear(!isNear)} aria-label={isNear ? 'See it whole' : 'Look nearer'}>
          <img src={`/api/blobs/${shown.sha256}`} alt={name} />
        </button>
      </div>
      <figcaption>{name}</figcaption>
      <div className={classes.row}>
        <Action weight="quiet" disabled={place === 0} onClick={() => step(-1)}>
          Earlier
        </Action>
        <Action weight="quiet" disabled={place === photos.length - 1} onClick={() => step(1)}>
          Later
        </Action>
        <Action weight="quiet" onClick={leaveOut}>
          Leave it out
        </Action>
      </div>
    </figure>
  );
}

/** Where the pictures of an evening are dropped, all at once. */
export function PhotoDrop({ queue, runs }: { queue: PhotoQueue; runs: readonly RunSummaryView[] }) {
  const places = photoPlaces(queue.photos, runs);
  const ofRuns = new Set(places.map((p) => p.runId)).size;
  return (
    <>
      {places.length > 0 && (
        <p className={classes.row}>
          <Action onClick={() => void queue.attachAll(places)}>
            {`Put ${places.length} ${places.length === 1 ? 'picture' : 'pictures'} with ` +
              `${ofRuns === 1 ? 'the run' : `the ${ofRuns} runs`} of their time`}
          </Action>
        </p>
      )}
      <FileDrop accept="image/*" button="Pictures" onFiles={(files) => void queue.add(files)}>
        {queue.isAdding
          ? 'storing…'
          : (queue.note ??
            'Drop the pictures of scale and screen: by their time each stands beside its run while you type; ' +
              'those of runs that are kept are put with them.')}
      </FileDrop>
    </>
  );
}
