import classes from './WeightSliders.module.css';

interface WeightSlidersProps<K extends string> {
  names: readonly K[];
  labels: Readonly<Record<K, string>>;
  weights: Readonly<Record<K, number>>;
  onMove: (name: K, value: number) => void;
  /** A handle came to rest. */
  onRest?: () => void;
}

/** How much each of several wishes counts, 0 to 10. */
export function WeightSliders<K extends string>({ names, labels, weights, onMove, onRest }: WeightSlidersProps<K>) {
  return names.map((name) => (
    <label key={name} className={classes.row}>
      <span>{labels[name]}</span>
      <input
        type="range"
        min={0}
        max={10}
        step={1}
        value={weights[name]}
        onChange={(e) => onMove(name, Number(e.currentTarget.value))}
        onPointerUp={onRest}
        onKeyUp={onRest}
        onBlur={onRest}
        style={{ '--share': `${weights[name] * 10}%` } as React.CSSProperties}
      />
      {/* Behind the handle: a label names the first thing in it that can be named. */}
      <output>{weights[name]}</output>
    </label>
  ));
}
