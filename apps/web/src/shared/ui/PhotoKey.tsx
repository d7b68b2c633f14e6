import { useStoreBlobMutation } from '../api/workshopApi.ts';
import { ProblemNote } from './PageStates.tsx';
import classes from './PhotoKey.module.css';

/** Takes a photo, or chooses one, and stores it; what comes back is its digest. */
export function PhotoKey({ label, onStored }: { label: string; onStored: (sha256: string) => void }) {
  const [store, storing] = useStoreBlobMutation();
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      onStored((await store({ bytes: file, name: file.name }).unwrap()).sha256);
    } catch {
      // The note below says why.
    }
  };
  return (
    <>
      <label className={classes.key}>
        {storing.isLoading ? 'storing…' : label}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          onChange={(e) => void take(e.currentTarget.files?.[0])}
        />
      </label>
      <ProblemNote error={storing.error} />
    </>
  );
}
