import { useId, useState, type ReactNode } from 'react';
import classes from './FileDrop.module.css';

interface FileDropProps {
  accept: string;
  button: string;
  children: ReactNode;
  onFile: (file: File) => void;
}

/** A place to drop one file on, with a button for those who choose it. */
export function FileDrop({ accept, button, children, onFile }: FileDropProps) {
  const [isOver, setOver] = useState(false);
  const id = useId();
  const take = (files: FileList | null): void => {
    const file = files?.[0];
    if (file) onFile(file);
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
