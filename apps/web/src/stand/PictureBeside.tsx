import { BLOB_MAX_BYTES, type RunView } from '@zivvo/contract';
import { useState } from 'react';
import { problemOf } from '../shared/api/api.ts';
import { useAttachPictureMutation } from '../shared/api/standApi.ts';
import { useStoreBlobMutation } from '../shared/api/workshopApi.ts';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import classes from './TypedRun.module.css';

/** Pictures of the scale or the radio screen beside the grid; dropped, stored, and shown while typing. */
export function PictureBeside({ run }: { run: Pick<RunView, 'id' | 'pictures'> }) {
  const [store] = useStoreBlobMutation();
  const [attach] = useAttachPictureMutation();
  const [note, setNote] = useState<string | null>(null);
  const onFile = async (file: File): Promise<void> => {
    if (file.size > BLOB_MAX_BYTES) {
      setNote(`${file.name} has ${Math.round(file.size / 1e6)} MB; 25 MB is allowed.`);
      return;
    }
    setNote(null);
    try {
      const { sha256 } = await store({ bytes: file, name: file.name }).unwrap();
      await attach({ id: run.id, blobSha256: sha256 }).unwrap();
    } catch (error) {
      setNote(problemOf(error)?.fields[0]?.message ?? problemOf(error)?.detail ?? 'The picture could not be stored.');
    }
  };
  return (
    <div className={classes.pictures}>
      {run.pictures.map((p) => (
        <img key={p.sha256} src={`/api/blobs/${p.sha256}`} alt={`${p.name}, beside the run`} />
      ))}
      <FileDrop accept="image/*" button="Picture" onFile={(f) => void onFile(f)}>
        {note ?? 'Drop a picture of the scale or the radio screen here.'}
      </FileDrop>
    </div>
  );
}
