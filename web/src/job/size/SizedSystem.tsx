import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  judge,
  type JudgedDesign,
  nothingFits,
  type SystemDesign,
} from '@katharos/core';
import { remembered } from '../open/remembered.ts';
import { useJobId } from '../open/useJob.ts';
import { Alternatives } from './Alternatives.tsx';
import { ComposePanel } from './ComposePanel.tsx';
import { ConditionsTable } from './ConditionsTable.tsx';
import { DecisionCards } from './DecisionCards.tsx';
import { MainFigures } from './MainFigures.tsx';
import { PressureBars } from './PressureBars.tsx';
import { ShortfallNotice, WaysToFit } from './ShortfallNotice.tsx';
import { SizeHeader } from './SizeHeader.tsx';
import { SizeViews, type SizeView, sizeViews } from './SizeViews.tsx';
import { useSearch } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Skeleton, Stack, Text } from '@mantine/core';
import { late } from '../../ui/late.tsx';
import styles from './Size.module.css';
import { Link, useSearchParams } from 'react-router';

const opening = <Skeleton height={400} aria-label="Opening the view" />;
const DayInTheHouse = late(
  async () => (await import('../household/DayInTheHouse.tsx')).DayInTheHouse,
  opening,
);
const WaterCharts = late(async () => (await import('./WaterCharts.tsx')).WaterCharts, opening);
const WeighPanel = late(async () => (await import('./WeighPanel.tsx')).WeighPanel, opening);

const isView = (text: string | null): text is SizeView => sizeViews.some(({ key }) => key === text);

const judgedIn = remembered(judge);

/** A sized system: its numbers first, then one view at a time of what stands behind them. */
export function SizedSystem({ brief, design }: { brief: JobBrief; design: SystemDesign }) {
  const search = useSearch();
  const { choose } = useChosenSystem();
  const [params, setParams] = useSearchParams();
  const wanted = params.get('view');
  const view = isView(wanted) ? wanted : 'decisions';
  const recommendation = search.kind === 'found' ? search.recommendation : undefined;
  const isCurrent = search.kind === 'found' && search.isCurrent;
  const { waters } = brief.task;
  const judged = judgedIn(design, waters, brief.requirements);
  const { today } = judged;
  return (
    <Stack gap="md">
      <SizeHeader
        judged={judged}
        brief={brief}
        recommendation={recommendation}
        isCurrent={isCurrent}
      />
      <ShortfallNotice judged={judged} />
      {recommendation && nothingFits(recommendation) && <WaysToFit ways={recommendation.ways} />}
      {isSound(judged) && <MainFigures judged={judged} winter={judged.worst} brief={brief} />}
      <SizeViews view={view} onView={(next) => setParams({ view: next }, { replace: true })} />
      {view === 'decisions' && (
        <DecisionCards judged={judged} brief={brief} recommendation={recommendation} />
      )}
      {view === 'days' && today && <DayInTheHouse design={design} brief={brief} />}
      {view === 'conditions' && <ConditionsTable design={design} brief={brief} />}
      {view === 'water' && today && (
        <>
          <PressureBars design={design} brief={brief} today={today} />
          <WaterCharts design={design} brief={brief} today={today} />
        </>
      )}
      {recommendation && (view === 'weigh' || view === 'compare') && (
        // What was found for earlier readings is seen, and cannot be chosen.
        <div inert={!isCurrent} aria-busy={!isCurrent} className={styles.found}>
          {view === 'weigh' ? (
            <WeighPanel recommendation={recommendation} current={design} onChoose={choose} />
          ) : (
            <Alternatives
              recommendation={recommendation}
              current={judged}
              brief={brief}
              onChoose={choose}
            />
          )}
        </div>
      )}
      {view === 'compose' && <ComposePanel design={design} onChange={choose} />}
      {brief.survey.assumed.length > 0 && <Assumptions brief={brief} />}
    </Stack>
  );
}

const isSound = (judged: JudgedDesign): judged is JudgedDesign & { today: Assessment } =>
  judged.today !== null;

function Assumptions({ brief }: { brief: JobBrief }) {
  const jobId = useJobId();
  return (
    <Text size="sm" c="dimmed">
      {brief.survey.assumed.length} of {Object.keys(brief.survey.values).length} readings were not
      taken and stand at their stated defaults. <Link to={`/jobs/${jobId}/survey`}>See which</Link>
    </Text>
  );
}
