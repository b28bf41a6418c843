import type { JobBrief } from '@katharos/job';
import type { Assessment, SystemDesign } from '@katharos/core';
import { RecoveryChart } from './RecoveryChart.tsx';
import { TemperatureChart } from './TemperatureChart.tsx';
import { YearChart } from './YearChart.tsx';

/** What the year, the restrictor and the household make of the water. */
export function WaterCharts({
  design,
  brief,
  today,
}: {
  design: SystemDesign;
  brief: JobBrief;
  today: Assessment;
}) {
  return (
    <>
      <YearChart brief={brief} today={today} />
      <TemperatureChart design={design} brief={brief} />
      <RecoveryChart design={design} brief={brief} today={today} />
    </>
  );
}
