import { flushOf, plumbedJobOf } from '@katharos/job';
import { householdCardOf } from '@katharos/papers';
import { Skeleton, Text } from '@mantine/core';
import { useCatalogueQuery } from '../data/openingApi.ts';
import { useNow } from '../timers/useNow.ts';
import { HouseholdCard } from './HouseholdCard.tsx';
import { PaperPage } from './PaperPage.tsx';
import { timeZone } from './useIssue.ts';

/** How often its times are reckoned anew while it is looked at, ms. */
const everyMinute = 60_000;

/** The card that is left with the household, alone on the page. */
export function CardPage() {
  const { data } = useCatalogueQuery();
  const now = useNow(true, everyMinute);
  return (
    <PaperPage name="For the household" back="flush" pdf="card.pdf">
      {({ number, document }, firm) => {
        if (!data) return <Skeleton height={600} />;
        const plumbed = plumbedJobOf(document, data.parts, firm.settings);
        if (!plumbed) return <Text>There is no card yet: choose a system in Size first.</Text>;
        const { system, brief, plumbing } = plumbed;
        const steps = flushOf(document, system, brief, plumbing, firm.settings.flushing);
        if (!steps.ok) return <Text>This system cannot be flushed in this water: see Flush.</Text>;
        return (
          <HouseholdCard
            card={householdCardOf({
              number,
              document,
              firm,
              steps: steps.value,
              now,
              timeZone: timeZone(),
            })}
          />
        );
      }}
    </PaperPage>
  );
}
