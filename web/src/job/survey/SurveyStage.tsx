import { isKnown, neededReadings, surveyFields } from '@katharos/job';
import { missingWords } from '@katharos/words';
import { useJob } from '../open/useJob.ts';
import { NoteField } from '../../ui/NoteField.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { HouseholdPanel } from '../household/HouseholdPanel.tsx';
import { LaboratoryPanel } from './LaboratoryPanel.tsx';
import { Photographs } from '../photographs/Photographs.tsx';
import { SurveyGroupPanel, takenOf } from './SurveyGroupPanel.tsx';
import { surveyGroups } from './surveyGroups.ts';
import { WorthPanel } from './WorthPanel.tsx';
import { Button, Stack, Title } from '@mantine/core';
import { Fragment } from 'react';
import { Link } from 'react-router';
import styles from './Survey.module.css';

/** What is read at the tap and under the sink. Nothing is asked for twice, and nothing blocks. */
export function SurveyStage() {
  const { job } = useJob();
  return (
    <Stack gap="md">
      <Title order={2} size="h3">
        Survey
      </Title>
      <Jumps />
      <Missing />
      <WorthPanel />
      {surveyGroups.map((group) => (
        <Fragment key={group.id}>
          <SurveyGroupPanel group={group} />
          {group.id === 'demand' && <HouseholdPanel />}
          {group.id === 'chemistry' && <LaboratoryPanel />}
        </Fragment>
      ))}
      <Photographs />
      <Notes />
      <Button
        component={Link}
        to={`/jobs/${job.id}/size`}
        size="lg"
        style={{ alignSelf: 'flex-start' }}
      >
        See the size
      </Button>
    </Stack>
  );
}

/** The places of the survey with how much of each is taken; one touch away from anywhere on the page. */
function Jumps() {
  const { document } = useJob();
  return (
    <nav aria-label="Places of the survey" className={`${styles.jumps} no-print`}>
      {surveyGroups.map((group) => {
        const { taken, all } = takenOf(group, document.survey);
        return (
          <a key={group.id} href={`#${group.id}`} className={styles.jump}>
            {group.short}
            <span className={styles.count}>
              {taken}/{all}
            </span>
          </a>
        );
      })}
      <a href="#photographs" className={styles.jump}>
        Photographs
      </a>
    </nav>
  );
}

/** What is still missing for a sound size, and what for. */
function Missing() {
  const { document } = useJob();
  const missing = neededReadings.filter((key) => !isKnown(document.survey, key));
  if (missing.length === 0) return null;
  return (
    <Tone
      kind="warn"
      head={
        missing.length === neededReadings.length
          ? 'Nothing is measured yet; everything below is a guess'
          : 'Still missing for a sound size'
      }
    >
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {missing.map((key) => (
          <li key={key}>
            <strong>{surveyFields[key].label}</strong>: {missingWords[key]}.
          </li>
        ))}
      </ul>
    </Tone>
  );
}

function Notes() {
  const { document, edit } = useJob();
  const save = (note: string) => edit((current) => ({ customer: { ...current.customer, note } }));
  return <NoteField label="Note" value={document.customer.note} onSave={save} />;
}
