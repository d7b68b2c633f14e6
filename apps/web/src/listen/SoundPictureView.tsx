import type { SoundPicture } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useEffect, useRef } from 'react';
import { useInk } from '../shared/charts/useInk.ts';
import classes from './Listen.module.css';

/** So much under the loudest spot is paper [dB]. */
const DEPTH_DB = 55;
const HEIGHT = 150;

/** A sound over time: low notes below, loud ones dark. */
export function SoundPictureView({ picture }: { picture: SoundPicture }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const ink = useInk();
  const { columns, centreHz, stepS } = picture;
  useEffect(() => {
    const pen = canvas.current?.getContext('2d');
    if (!pen || columns.length === 0) return;
    const rows = centreHz.length;
    const most = columns.reduce((m, column) => column.reduce((a, b) => Math.max(a, b), m), -Infinity);
    const image = pen.createImageData(columns.length, rows);
    const [paper, dark] = [rgbOf(ink.sheet), rgbOf(ink.fjord)];
    columns.forEach((column, x) => {
      for (let row = 0; row < rows; row++) {
        const share = Math.max(0, Math.min(1, 1 - (most - column[row]!) / DEPTH_DB)) ** 1.5;
        const at = 4 * ((rows - 1 - row) * columns.length + x);
        for (let c = 0; c < 3; c++) image.data[at + c] = paper[c]! + share * (dark[c]! - paper[c]!);
        image.data[at + 3] = 255;
      }
    });
    canvas.current!.width = columns.length;
    canvas.current!.height = rows;
    pen.putImageData(image, 0, 0);
  }, [columns, centreHz, ink]);
  const lengthS = columns.length * stepS;
  const label =
    `The sound over ${formatNumber(lengthS, 1)} s, from ${formatNumber(centreHz[0] ?? 0, 0)} Hz to ` +
    `${formatNumber((centreHz.at(-1) ?? 0) / 1000, 0)} kHz`;
  return (
    <figure className={classes.picture}>
      <canvas ref={canvas} role="img" aria-label={label} style={{ height: HEIGHT }} />
      <figcaption className="muted">{label}</figcaption>
    </figure>
  );
}

/** Parts of a colour that is written as three or six hexadecimal digits. */
function rgbOf(hex: string): [number, number, number] {
  const digits = hex.length === 4 ? hex.slice(1).replace(/./g, '$&$&') : hex.slice(1);
  const value = Number.parseInt(digits, 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}
