import {
  brokenLimits,
  pickFigureDimensions,
  workedAt,
  type PickFigure,
  type PickMap,
  type Scale,
  type Weights,
} from '@zivvo/core';
import { scoreOf } from '@zivvo/core';
import { formatMilliseconds, formatMinutes, formatNumber, formatSpeed, limitWords } from '@zivvo/words';
import { useMemo } from 'react';
import { useFormat } from '../shared/format/useFormat.ts';
import type { MapColour } from './mapView.ts';

export interface PickFormat {
  /** A figure of a candidate with its unit; a dash where it has none. */
  figure: (figure: PickFigure, value: number) => string;
  /** One place of a map in a line. */
  place: (map: PickMap, index: number, colour: MapColour, scale: Scale, weights: Weights) => string;
}

/** How figures of candidates are written: minutes, milliseconds, metres a second, and the reader's units elsewhere. */
export function usePickFormat(): PickFormat {
  const format = useFormat();
  return useMemo(() => {
    const figure = (name: PickFigure, value: number): string => {
      if (!Number.isFinite(value)) return '–';
      switch (name) {
        case 'enduranceS':
          return formatMinutes(value);
        case 'riseTimeS':
          return formatMilliseconds(value);
        case 'tipSpeedMPerS':
        case 'pitchSpeedMPerS':
          return formatSpeed(value);
        case 'thrustToWeightRatio':
          return formatNumber(value, 2);
        case 'toughnessRatio':
          return formatNumber(value, 2);
        case 'inertiaKgM2':
          return `${formatNumber(value * 1e7, value < 1e-5 ? 1 : 0)} g·cm²`;
        default:
          return format.quantity(value, pickFigureDimensions[name] ?? 'number').text;
      }
    };
    const place: PickFormat['place'] = (map, index, colour, scale, weights) => {
      const { geometry, figures, margins } = workedAt(map, index);
      const size =
        `${format.quantity(geometry.diameterM, 'length').text} × ` +
        `${format.quantity(geometry.pitchM, 'length').text}`;
      if (Number.isNaN(margins.carry)) return `${size}: nobody moulds such a blade`;
      const [broken] = brokenLimits(margins);
      const score = broken
        ? `barred, ${limitWords[broken]}`
        : `score ${formatNumber(scoreOf(scale, figures, weights), 0)}`;
      return (
        `${size}: ${score}, ${figure('enduranceS', figures.enduranceS)}, ` +
        `${figure('carryThrottleRatio', figures.carryThrottleRatio)} throttle, ` +
        `${figure('fullThrustN', figures.fullThrustN)} a rotor, ` +
        `${figure('levelDb', figures.levelDb)}${colour === 'score' || colour === 'enduranceS' || colour === 'fullThrustN' || colour === 'levelDb' ? '' : `, ${figure(colour, figures[colour])}`}`
      );
    };
    return { figure, place };
  }, [format]);
}
