import type { ReactNode } from 'react';
import classes from './Form.module.css';

export interface OfferedReading {
  key: string;
  title: string;
  reasons: string;
  glyph?: ReactNode;
}

interface ReadingChoiceProps {
  legend: string;
  readings: readonly OfferedReading[];
  chosen: string | null;
  onChoose: (key: string) => void;
}

/** Readings of a label, likeliest first, each with its reasons; the person chooses. */
export function ReadingChoice({ legend, readings, chosen, onChoose }: ReadingChoiceProps) {
  return (
    <fieldset className={`${classes.readings} ${classes.wide}`}>
      <legend style={{ font: 'inherit', float: 'none', fontSize: 13.5, color: 'var(--muted)', padding: 0 }}>
        {legend}
      </legend>
      {readings.map((r) => (
        <label key={r.key} className={classes.reading}>
          <input type="radio" name={legend} checked={chosen === r.key} onChange={() => onChoose(r.key)} />
          {r.glyph}
          <strong>{r.title}</strong>
          <span className="muted">{r.reasons}</span>
        </label>
      ))}
    </fieldset>
  );
}
