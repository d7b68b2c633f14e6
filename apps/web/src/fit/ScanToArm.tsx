import { TextInput } from '@mantine/core';
import type { ArmView, CraftView } from '@zivvo/contract';
import { placeNames } from '@zivvo/words';
import { useState } from 'react';
import { problemOf } from '../shared/api/api.ts';
import { useFitPieceMutation } from '../shared/api/fitApi.ts';
import { Action } from '../shared/ui/Action.tsx';
import { PhotoKey } from '../shared/ui/PhotoKey.tsx';
import classes from './FitPage.module.css';

const TAG_STYLES = { input: { fontFamily: 'var(--font-mono)', fontSize: 18 } };

/** Tag, arm, a huge yes or no before the nut goes on. The old mark is read or photographed before it comes off. */
export function ScanToArm({ craft, arm }: { craft: CraftView; arm: ArmView }) {
  const [fit, fitting] = useFitPieceMutation();
  const [tag, setTag] = useState('');
  const [oldTag, setOldTag] = useState('');
  const [markSha256, setMark] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const [isDone, setDone] = useState(false);
  const problem = problemOf(fitting.error);
  const place = placeNames[arm.place].toLowerCase();
  const put = async (overrideReason: string | null): Promise<void> => {
    setDone(false);
    try {
      await fit({
        craftId: craft.id,
        body: {
          tag: tag.trim(),
          place: arm.place,
          level: arm.level,
          oldTag: arm.piece ? oldTag.trim() || null : null,
          oldMarkSha256: arm.piece ? markSha256 : null,
          overrideReason,
        },
      }).unwrap();
      setDone(true);
      setTag('');
      setOldTag('');
      setMark(null);
      setReason('');
    } catch {
      // The answer below says why.
    }
  };
  return (
    <form
      className={classes.scan}
      onSubmit={(e) => {
        e.preventDefault();
        void put(null);
      }}
    >
      {arm.piece && (
        <div className={classes.oldMark}>
          <TextInput
            label={`Read the old mark on ${place}`}
            placeholder="tag that comes off"
            value={oldTag}
            onChange={(e) => setOldTag(e.currentTarget.value.toUpperCase())}
            maxLength={12}
            styles={TAG_STYLES}
          />
          <PhotoKey label={markSha256 === null ? 'or photograph it' : 'photographed'} onStored={setMark} />
        </div>
      )}
      <TextInput
        label="Tag of the piece that goes on"
        value={tag}
        onChange={(e) => {
          setTag(e.currentTarget.value.toUpperCase());
          fitting.reset();
          setDone(false);
        }}
        maxLength={12}
        styles={TAG_STYLES}
      />
      <Action type="submit" disabled={tag.trim() === '' || fitting.isLoading}>
        May it go on?
      </Action>
      <div role="status">
        {isDone && (
          <p className={classes.yes}>
            Yes<span>{`on ${place}; lock it and look again`}</span>
          </p>
        )}
        {problem !== null && (
          <p className={classes.no}>
            No<span>{problem.detail}</span>
          </p>
        )}
      </div>
      {(problem?.code === 'fit.otherHand' || problem?.code === 'fit.otherModel') && (
        <div className={classes.override}>
          <TextInput
            label="Put it on all the same, because"
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
            maxLength={200}
          />
          <Action weight="danger" disabled={reason.trim() === ''} onClick={() => void put(reason.trim())}>
            Override, and write it down
          </Action>
        </div>
      )}
    </form>
  );
}
