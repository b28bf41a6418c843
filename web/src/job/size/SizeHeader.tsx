import { type JobBrief, missingReadings, saysTheSame } from '@katharos/job';
import { fieldWords } from '@katharos/words';
import { useReader } from '../../ui/useReader.ts';
import type { JudgedDesign, Recommendation } from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { ChosenActions } from './ChosenActions.tsx';
import { partsInWords } from '../open/designWords.ts';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Button, Group, Text, Title } from '@mantine/core';
import { useNavigate } from 'react-router';

/** What the system is, and the one step that comes next: choose it, agree on it, plumb it in. */
export function SizeHeader({
  judged,
  brief,
  recommendation,
  isCurrent,
}: {
  judged: JudgedDesign;
  brief: JobBrief;
  recommendation: Recommendation | undefined;
  /** Whether it was found for the survey as it is now. */
  isCurrent: boolean;
}) {
  const { jobId, document } = useJob();
  const reader = useReader();
  const { chosen } = useSizing();
  const { choose, agreed } = useChosenSystem();
  const navigate = useNavigate();
  const { design } = judged;
  const missing = missingReadings(document.survey);
  const isGuess = missing.length > 0;
  const guessed = reader.list(missing.map((key) => reader.within(fieldWords[key].label)));
  const best = recommendation?.best;
  const isKnown =
    !best ||
    saysTheSame(best.design, design) ||
    recommendation.tradeOffs.some((one) => saysTheSame(one.design, design)) ||
    // A sound system of another make-up is a choice, not something that the survey outgrew.
    recommendation.families.some(
      ({ best: own }) => own.shortfalls.length === 0 && saysTheSame(own.design, design),
    );
  const outdated =
    isCurrent && chosen && !agreed && !isKnown && Object.keys(document.size.overruled).length === 0;
  return (
    <>
      <Group justify="space-between" align="flex-end">
        <div style={{ flex: '1 1 24rem' }}>
          <Title order={2} size="h3">
            {agreed ? 'The agreed system' : chosen ? 'The chosen system' : 'Proposed system'}
          </Title>
          {judged.worst && judged.shortfalls.length === 0 && (
            <Text fw={600} className={`mark ${isGuess ? 'warn' : 'good'}`} data-testid="verdict">
              {isGuess
                ? `Sound if the usual holds for ${guessed}, which ${reader.plural(missing.length, { one: 'was', other: 'were' })} not read: `
                : 'Sound: '}
              {reader.say('dailyVolume', judged.worst.productionLPerDay)} with the coldest water,
              the lowest pressure and an aged membrane, where{' '}
              {reader.say('dailyVolume', brief.requirements.demandLPerDay)} are drunk.
            </Text>
          )}
          <Text>{partsInWords(design)}</Text>
          {agreed && (
            <Text size="sm" c="dimmed">
              Agreed on {reader.when(agreed.at, 'long-date')}, noted by {agreed.by}. Nothing changes
              it until the agreement is opened again.
            </Text>
          )}
        </div>
        {chosen ? (
          <ChosenActions />
        ) : (
          <Button
            size="lg"
            loading={!isCurrent}
            disabled={judged.failure !== null}
            onClick={() => {
              choose(design);
              void navigate(`/jobs/${jobId}/plumb`);
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
    </>
  );
}
