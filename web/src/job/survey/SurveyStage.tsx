import { fieldWords, missingWords } from '@katharos/words';
import { Button, Group, Skeleton, Stack, Title } from '@mantine/core';
import { Fragment, memo, useEffect, useState, useRef } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { NoteField } from '../../ui/typed/NoteField.tsx';
import { late } from '../../ui/late.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { HouseholdPanel } from '../household/HouseholdPanel.tsx';
import { useInSight } from '../../ui/useInSight.ts';
import { useDocument, useJob, useJobId } from '../open/useJob.ts';
import { Photographs } from '../photographs/Photographs.tsx';
import { PurposePanel } from './PurposePanel.tsx';
import { firstPlace, missingAt, placeLink, places } from './places.ts';
import styles from './Survey.module.css';
import { SurveyGroupPanel, takenOf } from './SurveyGroupPanel.tsx';
import { surveyGroups } from './surveyGroups.ts';
import { WorthPanel } from './WorthPanel.tsx';

const LaboratoryPanel = late(
  async () => (await import('./LaboratoryPanel.tsx')).LaboratoryPanel,
  <Skeleton height={260} aria-label="Opening the laboratory report" />,
);

/** What is read at the tap and under the sink: a walk from place to place. Nothing is asked for twice, and nothing blocks. */
export function SurveyStage() {
  const place = usePlace();
  const visited = useVisited(place);
  useFocusOnAnchor();
  return (
    <div className={styles.walk}>
      <Title order={2} size="h3" className={styles.heading}>
        Survey
      </Title>
      <PlaceNav place={place} />
      <Stack gap="sm" className={styles.here}>
        <Missing />
        {places
          .filter(({ id }) => visited.has(id))
          .map(({ id }) => (
            // A place that was left keeps what is half typed in it.
            <div key={id} hidden={id !== place}>
              <PlacePanels id={id} />
            </div>
          ))}
        <Onward place={place} />
        <WorthPanel />
      </Stack>
    </div>
  );
}

/** The place that the address names; without one, the place where the walk begins. */
function usePlace(): string {
  const document = useDocument();
  const [params] = useSearchParams();
  // Where the walk began stays the place, though what was missing there is read meanwhile.
  const [first] = useState(() => firstPlace(document.survey));
  const wanted = params.get('place');
  return places.find(({ id }) => id === wanted)?.id ?? first;
}

function useVisited(place: string): ReadonlySet<string> {
  const [visited, setVisited] = useState<ReadonlySet<string>>(new Set([place]));
  if (!visited.has(place)) setVisited(new Set([...visited, place]));
  return visited;
}

/** A link to a reading puts the cursor into its field. */
function useFocusOnAnchor(): void {
  const { hash, key } = useLocation();
  useEffect(() => {
    if (hash) window.document.getElementById(hash.slice(1))?.focus();
  }, [hash, key]);
}

/** What is asked in a place; drawn anew by what changes in it, not by going to another. */
const PlacePanels = memo(function PlacePanels({ id }: { id: string }) {
  const group = surveyGroups.find((one) => one.id === id);
  if (!group)
    return (
      <Stack gap="sm">
        <Photographs />
        <Notes />
      </Stack>
    );
  return (
    <Stack gap="sm">
      {id === 'demand' && <PurposePanel />}
      <SurveyGroupPanel group={group} />
      {id === 'demand' && <HouseholdPanel />}
      {id === 'chemistry' && <LaboratoryPanel />}
    </Stack>
  );
});

/** The places of the survey with how much of each is taken, and where something is missing. */
function PlaceNav({ place }: { place: string }) {
  const document = useDocument();
  const missing = missingAt(document.survey);
  const row = useRef<HTMLElement>(null);
  useInSight(row, '[aria-current]', place);
  return (
    <nav aria-label="Places of the survey" className={`${styles.places} no-print`} ref={row}>
      {places.map(({ id, short }) => {
        const group = surveyGroups.find((one) => one.id === id);
        const count = group && takenOf(group, document.survey);
        const lacks = missing.filter((one) => one.place === id).length;
        return (
          <Link
            key={id}
            to={placeLink(id)}
            replace
            className={styles.place}
            aria-current={id === place ? 'step' : undefined}
          >
            {short}
            {count && (
              <span className={styles.count}>
                {count.taken}/{count.all}
              </span>
            )}
            {lacks > 0 && (
              <span className={styles.lacks}>
                <span aria-hidden>!</span>
                <span className="sr">{lacks} needed for a sound size</span>
              </span>
            )}
          </Link>
        );
      })}
    </nav>
  );
}

/** What is still missing for a sound size, and what for; each a step away. */
function Missing() {
  const document = useDocument();
  const missing = missingAt(document.survey);
  if (missing.length === 0) return null;
  return (
    <Tone
      kind="warn"
      head={
        missing.length === 4
          ? 'Nothing is measured yet; everything below is a guess'
          : 'Still missing for a sound size'
      }
    >
      {missing.map(({ key, place }, i) => (
        <Fragment key={key}>
          {i > 0 && ' '}
          <Link to={placeLink(place, key)} replace>
            {fieldWords[key].label}
          </Link>{' '}
          {missingWords[key]}.
        </Fragment>
      ))}
    </Tone>
  );
}

/** On to the next place; from the last one to the size. */
function Onward({ place }: { place: string }) {
  const jobId = useJobId();
  const at = places.findIndex(({ id }) => id === place);
  const [before, next] = [places[at - 1], places[at + 1]];
  return (
    <Group justify="space-between" className="no-print">
      {before ? (
        <Button variant="default" size="md" component={Link} to={placeLink(before.id)} replace>
          Back: {before.short}
        </Button>
      ) : (
        <span />
      )}
      <Group>
        {next && (
          <Button variant="default" size="md" component={Link} to={`/jobs/${jobId}/size`}>
            See the size
          </Button>
        )}
        <Button
          size="md"
          component={Link}
          {...(next ? { to: placeLink(next.id), replace: true } : { to: `/jobs/${jobId}/size` })}
        >
          {next ? `Next: ${next.short}` : 'See the size'}
        </Button>
      </Group>
    </Group>
  );
}

function Notes() {
  const { document, edit } = useJob();
  const save = (note: string, of: string) =>
    edit((current) => ({ customer: { ...current.customer, note } }), of);
  return (
    <NoteField
      label="Note"
      keptAs="note"
      most={2000}
      value={document.customer.note}
      onSave={save}
    />
  );
}
