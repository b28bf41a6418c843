import { isSanitisingAdvised } from '@katharos/job';
import { canBeDisinfected } from '@katharos/core';
import { Checkbox } from '@mantine/core';
import { useDocument } from '../open/useJob.ts';
import type { Flush } from './useFlush.ts';
import type { FlushDeeds } from './useFlushDeeds.ts';

/** Whether everything up to the tap is disinfected first; to be decided before anything is done, and only where they can be opened. */
export function SanitiseChoice({ flush, deeds }: { flush: Flush; deeds: FlushDeeds }) {
  const { survey, flush: recorded } = useDocument();
  const isBegun = Object.values(flush.records).some(({ done, startedAt }) => done ?? startedAt);
  if (!canBeDisinfected(flush.design)) return null;
  if (isBegun) return null;
  const isAdvised = isSanitisingAdvised(survey);
  return (
    <Checkbox
      size="md"
      checked={recorded.sanitise ?? (isAdvised && flush.design.lamp !== null)}
      onChange={({ currentTarget: { checked } }) => deeds.sanitise(checked)}
      label="Disinfect housings, tank and line with bleach first"
      description={
        isAdvised
          ? 'Advised here: the supply is not known to be safe.'
          : 'For what is second-hand, was opened, or stood in store for long; for a supply that is not safe.'
      }
    />
  );
}
