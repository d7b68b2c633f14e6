import { IconAlertTriangle, IconArrowRight, IconCheck, IconPoint, IconSquareX, type Icon } from '@tabler/icons-react';
import type { Reason, Severity } from '@zivvo/core';
import { useState, type ReactNode } from 'react';
import { useFormat } from '../format/useFormat.ts';
import { useCountReasons } from './reasonCount.ts';
import classes from './ReasonList.module.css';

const LOOKS: Record<Severity, { icon: Icon; word: string; colour: string }> = {
  danger: { icon: IconSquareX, word: 'Danger', colour: 'var(--rust)' },
  caution: { icon: IconAlertTriangle, word: 'Caution', colour: 'var(--ochre)' },
  action: { icon: IconArrowRight, word: 'To do', colour: 'var(--fjord)' },
  gain: { icon: IconCheck, word: 'Gain', colour: 'var(--moss)' },
  note: { icon: IconPoint, word: 'Note', colour: 'var(--muted)' },
};

const SHOWN = 5;

/** How grave something is, by shape, colour and word. */
export function SeverityMark({ severity }: { severity: Severity }) {
  const { icon: Mark, word, colour } = LOOKS[severity];
  return <Mark size={18} stroke={2} color={colour} role="img" aria-label={word} className={classes.mark} />;
}

/** Reasons whose sentences a page makes itself, with the same marks as everywhere. */
export function SaidList({ said }: { said: readonly { severity: Severity; text: ReactNode; key: string }[] }) {
  useCountReasons(said.map((s) => s.severity));
  return (
    <ul className={classes.reasons}>
      {said.map(({ severity, text, key }) => (
        <li key={key}>
          <SeverityMark severity={severity} />
          <span>{text}</span>
        </li>
      ))}
    </ul>
  );
}

/** Reasons in plain sentences: danger first, five at most, the rest behind *more*. */
export function ReasonList({
  reasons,
  onShow,
  onPoint,
}: {
  reasons: readonly Reason[];
  onShow?: (figure: string) => void;
  onPoint?: (figure: string | null) => void;
}) {
  const format = useFormat();
  const [isWhole, setWhole] = useState(false);
  useCountReasons(reasons.map((r) => r.severity));
  const shown = isWhole ? reasons : reasons.slice(0, SHOWN);
  if (reasons.length === 0) return <p className="muted">Nothing to say yet.</p>;
  return (
    <div>
      <ul className={classes.reasons}>
        {shown.map((reason) => {
          const { figure } = reason;
          const sentence = format.sentence(reason);
          return (
            <li
              key={`${reason.code}${JSON.stringify(reason.values)}`}
              onMouseEnter={() => onPoint?.(figure)}
              onMouseLeave={() => onPoint?.(null)}
            >
              <SeverityMark severity={reason.severity} />
              <span>
                {sentence}{' '}
                {figure !== null && onShow && (
                  <button
                    type="button"
                    className={classes.working}
                    onClick={() => onShow(figure)}
                    onFocus={() => onPoint?.(figure)}
                    onBlur={() => onPoint?.(null)}
                    aria-label={`Working: ${sentence}`}
                  >
                    working
                  </button>
                )}
              </span>
            </li>
          );
        })}
      </ul>
      {reasons.length > SHOWN && (
        <button type="button" className={classes.more} aria-expanded={isWhole} onClick={() => setWhole(!isWhole)}>
          {isWhole ? 'fewer' : `${reasons.length - SHOWN} more`}
        </button>
      )}
    </div>
  );
}
