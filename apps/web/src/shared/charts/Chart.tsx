import type { EChartsCoreOption } from 'echarts/core';
import { useEffect, useRef } from 'react';
import { echarts } from './echarts.ts';

interface ChartProps {
  option: EChartsCoreOption;
  height: number;
  /** What the chart says, for those who do not see it. */
  label: string;
  /** Hears which part of the first axis is wanted, where the option lets it be zoomed. */
  onZoom?: (from: number, to: number) => void;
}

/** A chart that follows its box; drawn once the fonts are there, so that its words measure right. */
export default function Chart({ option, height, label, onZoom }: ChartProps) {
  const element = useRef<HTMLDivElement>(null);
  const latest = useRef(option);
  const chart = useRef<ReturnType<typeof echarts.init> | null>(null);
  useEffect(() => {
    latest.current = option;
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  const hearZoom = useRef(onZoom);
  useEffect(() => {
    hearZoom.current = onZoom;
  }, [onZoom]);
  useEffect(() => {
    let isGone = false;
    const box = element.current!;
    const observer = new ResizeObserver(() => chart.current?.resize());
    void document.fonts.ready.then(() => {
      if (isGone) return;
      chart.current = echarts.init(box, undefined, { renderer: 'canvas' });
      chart.current.setOption(latest.current, { notMerge: true });
      chart.current.on('datazoom', () => {
        const [zoom] =
          (chart.current?.getOption() as { dataZoom?: { startValue: number; endValue: number }[] }).dataZoom ?? [];
        if (zoom) hearZoom.current?.(zoom.startValue, zoom.endValue);
      });
      box.dataset.drawn = 'true';
      observer.observe(box);
    });
    return () => {
      isGone = true;
      observer.disconnect();
      chart.current?.dispose();
      chart.current = null;
    };
  }, []);
  return <div ref={element} role="img" aria-label={label} style={{ width: '100%', height }} />;
}
