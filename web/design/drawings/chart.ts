import type { ApexOptions } from 'apexcharts';

/** By name, so that a chart follows a change of light. */
export const token = (name: string) => `var(${name})`;

/** How every chart is drawn: without tools or movement, in the page's own letters and colours. */
export const chartOf = (type: 'bar' | 'line'): ApexOptions['chart'] => ({
  type,
  toolbar: { show: false },
  animations: { enabled: false },
  fontFamily: 'inherit',
  foreColor: token('--ink-soft'),
  background: 'transparent',
  zoom: { enabled: false },
});
