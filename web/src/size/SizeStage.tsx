import { failureSentence, type JobBrief, saysTheSame } from '@katharos/contract';
import {
  agedMembrane,
  assess,
  decide,
  type JudgedDesign,
  judge,
  type SystemDesign,
} from '@katharos/core';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { DayInTheHouse } from '../day/DayInTheHouse.tsx';
import { useJob } from '../job/useJob.ts';
import { Tone } from '../quantities/Tone.tsx';
import { Alternatives } from './Alternatives.tsx';
import { ConditionsTable } from './ConditionsTable.tsx';
import { DecisionCards } from './DecisionCards.tsx';
import { MainFigures } from './MainFigures.tsx';
import { partsInWords } from './designWords.ts';
import { useSizing } from './sizingContext.ts';
import { PressureBars } from './PressureBars.tsx';
import { ShortfallNotice } from './ShortfallNotice.tsx';
import { TemperatureChart } from './TemperatureChart.tsx';

/** A sized system with its numbers and reasons. */
export function SizeStage() {
  const { job } = useJob();
  const { brief, search, design, chosen, cancel, again } = useSizing();
  if (brief && !brief.ok) {
    return (
      <Tone kind="bad" head="These readings contradict each other" role="alert">
        {failureSentence(brief.failure)}{' '}
        <Link to={`/jobs/${job.id}/survey`}>Correct them in the survey.</Link>
      </Tone>
    );
  }
  if (!brief || !design) {
    return (
      <Stack align="flex-start">
        <Title order={2} size="h3">
          Size
        </Title>
        {search.kind === 'searching' && (
          <Group>
            <Text>Judging combinations, {Math.round(search.share * 100)} % done.</Text>
            <Button variant="default" onClick={cancel}>
              Stop
            </Button>
          </Group>
        )}
        {search.kind === 'idle' && brief && <Button onClick={again}>Look for a system</Button>}
        {search.kind === 'nothing' && (
          <Tone kind="bad" head="The catalogue cannot make up a system">
            It needs at least a tap, a membrane, a restrictor and a tank.
          </Tone>
        )}
        {search.kind === 'failed' && (
          <Tone kind="bad" head="The search stopped" role="alert">
            {search.message}{' '}
            <Button variant="default" onClick={again}>
              Search again
            </Button>
          </Tone>
        )}
      </Stack>
    );
  }
  return <Sized brief={brief.value} design={design} chosen={chosen} />;
}

function Sized({
  brief,
  design,
  chosen,
}: {
  brief: JobBrief;
  design: SystemDesign;
  chosen: boolean;
}) {
  const { document, edit, stamp, job } = useJob();
  const { search } = useSizing();
  const navigate = useNavigate();
  const recommendation = search.kind === 'found' ? search.recommendation : undefined;
  const { waters } = brief.task;
  const judged = useMemo(
    () => judge(design, waters, brief.requirements),
    [design, waters, brief.requirements],
  );
  const winter = useMemo(() => assess(design, waters.worst, agedMembrane), [design, waters]);
  const decisions = useMemo(
    () =>
      decide(judged, {
        waters,
        requirements: brief.requirements,
        facts: brief.facts,
        recommendation,
      }),
    [judged, waters, brief, recommendation],
  );
  const choose = (wanted: SystemDesign) => {
    const { at, by } = stamp();
    edit(() => ({ system: { design: wanted, chosenAt: at, chosenBy: by, agreed: null } }));
  };
  const drop = () => edit(() => ({ system: null }));
  const best = recommendation?.best;
  const outdated = chosen && best && !saysTheSame(best.design, design);
  return (
    <Stack gap="md">
      <Group justify="space-between" align="flex-end">
        <div>
          <Title order={2} size="h3">
            {chosen ? 'The chosen system' : 'Proposed system'}
          </Title>
          <Text>{partsInWords(design)}</Text>
        </div>
        {chosen ? (
          <Group>
            <Button variant="default" size="md" onClick={drop}>
              Choose again
            </Button>
            <Button size="md" component={Link} to={`/jobs/${job.id}/plumb`}>
              Go on to plumbing
            </Button>
          </Group>
        ) : (
          <Button
            size="lg"
            disabled={judged.failure !== null}
            onClick={() => {
              choose(design);
              void navigate(`/jobs/${job.id}/plumb`);
            }}
          >
            Use this system
          </Button>
        )}
      </Group>
      {outdated && (
        <Tone kind="warn" head="The survey would now lead to another system">
          {partsInWords(best.design)}.{' '}
          <Button variant="default" size="compact-md" onClick={() => choose(best.design)}>
            Take that one
          </Button>
        </Tone>
      )}
      <ShortfallNotice judged={judged} />
      {judged.today && (
        <MainFigures
          judged={judged as JudgedDesign & { today: NonNullable<JudgedDesign['today']> }}
          winter={winter.ok ? winter.value : null}
          brief={brief}
        />
      )}
      <DecisionCards decisions={decisions} />
      {judged.today && <DayInTheHouse design={design} brief={brief} />}
      <ConditionsTable design={design} brief={brief} />
      {judged.today && <PressureBars design={design} brief={brief} today={judged.today} />}
      <TemperatureChart design={design} brief={brief} />
      {recommendation && (
        <Alternatives recommendation={recommendation} current={design} onChoose={choose} />
      )}
      {brief.survey.assumed.length > 0 && document.survey && <Assumptions brief={brief} />}
    </Stack>
  );
}

function Assumptions({ brief }: { brief: JobBrief }) {
  const { job } = useJob();
  return (
    <Text size="sm" c="dimmed">
      {brief.survey.assumed.length} of {Object.keys(brief.survey.values).length} readings were not
      taken and stand at their stated defaults. <Link to={`/jobs/${job.id}/survey`}>See which</Link>
    </Text>
  );
}
