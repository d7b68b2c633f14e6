import { useId, useState, type ReactNode } from 'react';
import classes from './FileDrop.module.css';

type FileDropProps = {
  accept: string;
  button: string;
  children: ReactNode;
} & ({ onFile: (file: File) => void } | { onFiles: (files: File[]) => void });

/** A place to drop a file on, or several, with a button for those who choose them. */
export function FileDrop({ accept, button, children, ...on }: FileDropProps) {
  const [isOver, setOver] = useState(false);
  const id = useId();
  const take = (files: FileList | null): void => {
    const [first, ...others] = files ?? [];
    if (first === undefined) return;
    if ('onFiles' in on) on.onFiles([first, ...others]);
    else on.onFile(first);
  };
  return (
    <div
      className={classes.drop}
      data-over={isOver}
      data-testid="file-drop"
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        take(e.dataTransfer.files);
      }}
    >
      <input
        id={id}
        type="file"
        accept={accept}
        multiple={'onFiles' in on}
        className={classes.input}
        onChange={(e) => {
          take(e.target.files);
          e.target.value = '';
        }}
      />
      <label htmlFor={id} className={classes.button}>
        {button}
      </label>
      <span>{children}</span>
    </div>
  );
}
