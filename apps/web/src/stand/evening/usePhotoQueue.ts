import { BLOB_MAX_BYTES } from '@zivvo/contract';
import { useState } from 'react';
import { failureOf } from '../../shared/api/api.ts';
import { useAttachPictureMutation } from '../../shared/api/standApi.ts';
import { useStoreBlobMutation } from '../../shared/api/workshopApi.ts';
import { useKept } from '../../shared/forms/kept.ts';

/** A picture of the scale or the radio screen that waits for the run it belongs to. */
export interface QueuedPhoto {
  sha256: string;
  name: string;
  /** When it was taken, as its file says [ms since 1970]. */
  takenMs: number;
}

interface Queue {
  photos: QueuedPhoto[];
  /** The one that is looked at; the earliest where nobody chose. */
  shownSha: string | null;
}

export const PHOTO_MAX_COUNT = 60;

/** By the time they were taken; those of one moment by name, as cameras count. */
export const inOrder = (photos: readonly QueuedPhoto[]): QueuedPhoto[] =>
  [...photos].sort((a, b) => a.takenMs - b.takenMs || a.name.localeCompare(b.name, 'en', { numeric: true }));

export interface PhotoQueue {
  photos: readonly QueuedPhoto[];
  /** Place of the one that is shown; -1 without any. */
  place: number;
  isAdding: boolean;
  note: string | null;
  add: (files: readonly File[]) => Promise<void>;
  step: (by: number) => void;
  leaveOut: () => void;
  /** Puts the picture that is shown with a run, and goes on to the next. */
  attachTo: (runId: string) => Promise<void>;
  /** Puts pictures with the runs that they belong to. */
  attachAll: (places: readonly { photo: QueuedPhoto; runId: string }[]) => Promise<void>;
}

/** Pictures of an evening, stored as they are dropped and kept in their order until each is with its run. */
export function usePhotoQueue(campaignId: string): PhotoQueue {
  const [{ photos, shownSha }, setQueue] = useKept<Queue>(`evening/${campaignId}/photos`, () => ({
    photos: [],
    shownSha: null,
  }));
  const [store] = useStoreBlobMutation();
  const [attach] = useAttachPictureMutation();
  const [isAdding, setAdding] = useState(false);
  const [note, setNote] = useState<string | null>(null);
  const found = photos.findIndex((p) => p.sha256 === shownSha);
  const place = found < 0 ? (photos.length === 0 ? -1 : 0) : found;
  const without = (sha256: string): void =>
    setQueue((now) => {
      const at = now.photos.findIndex((p) => p.sha256 === sha256);
      const left = now.photos.filter((p) => p.sha256 !== sha256);
      return { photos: left, shownSha: left[Math.min(at, left.length - 1)]?.sha256 ?? null };
    });
  const add = async (files: readonly File[]): Promise<void> => {
    setAdding(true);
    const notes: string[] = [];
    const room = PHOTO_MAX_COUNT - photos.length;
    if (files.length > room)
      notes.push(`${PHOTO_MAX_COUNT} pictures wait at most; ${files.length - room} were not taken.`);
    for (const file of files.slice(0, room)) {
      if (file.size > BLOB_MAX_BYTES) {
        notes.push(`${file.name} has ${Math.round(file.size / 1e6)} MB; 25 MB is allowed.`);
        continue;
      }
      try {
        const { sha256 } = await store({ bytes: file, name: file.name }).unwrap();
        const photo = { sha256, name: file.name, takenMs: file.lastModified };
        setQueue((now) =>
          now.photos.some((p) => p.sha256 === sha256) ? now : { ...now, photos: inOrder([...now.photos, photo]) },
        );
      } catch (error) {
        notes.push(`${file.name}: ${failureOf(error).detail}`);
      }
    }
    setNote(notes.length === 0 ? null : notes.join(' '));
    setAdding(false);
  };
  const put = async (photo: QueuedPhoto, runId: string): Promise<void> => {
    try {
      await attach({ id: runId, blobSha256: photo.sha256 }).unwrap();
      without(photo.sha256);
    } catch (error) {
      setNote(`${photo.name} is not with its run: ${failureOf(error).detail}`);
    }
  };
  const attachTo = async (runId: string): Promise<void> => {
    if (photos[place]) await put(photos[place], runId);
  };
  const attachAll: PhotoQueue['attachAll'] = async (places) => {
    for (const { photo, runId } of places) await put(photo, runId);
  };
  return {
    photos,
    place,
    isAdding,
    note,
    add,
    attachTo,
    attachAll,
    step: (by) => setQueue((now) => ({ ...now, shownSha: now.photos[place + by]?.sha256 ?? now.shownSha })),
    leaveOut: () => photos[place] && without(photos[place].sha256),
  };
}
