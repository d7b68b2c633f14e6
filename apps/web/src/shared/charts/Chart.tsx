import type { EChartsCoreOption } from 'echarts/core';
import { useEffect, useRef } from 'react';
import { echarts } from './echarts.ts';

interface ChartProps {
  option: EChartsCoreOption;
  height: number;
  /** What the chart says, for those who do not see it. */
  label: string;
}

/** A chart that follows its box; drawn once the fonts are there, so that its words measure right. */
export default function Chart({ option, height, label }: ChartProps) {
  const element = useRef<HTMLDivElement>(null);
  const latest = useRef(option);
  const chart = useRef<ReturnType<typeof echarts.init> | null>(null);
  useEffect(() => {
    latest.current = option;
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  useEffect(() => {
    let isGone = false;
    const box = element.current!;
    const observer = new ResizeObserver(() => chart.current?.resize());
    void document.fonts.ready.then(() => {
      if (isGone) return;
      chart.current = echarts.init(box, undefined, { renderer: 'canvas' });
      chart.current.setOption(latest.current, { notMerge: true });
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
