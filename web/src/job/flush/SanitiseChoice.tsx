import { isSanitisingAdvised } from '@katharos/job';
import { canBeSanitised, isUltravioletLine } from '@katharos/core';
import { Checkbox } from '@mantine/core';
import { useDocument } from '../open/useJob.ts';
import type { Flush } from './useFlush.ts';
import type { FlushDeeds } from './useFlushDeeds.ts';

/** Whether housings and tubes are sanitised first; to be decided before anything is done, and only where they can be opened. */
export function SanitiseChoice({ flush, deeds }: { flush: Flush; deeds: FlushDeeds }) {
  const { survey, flush: recorded } = useDocument();
  const isBegun = Object.values(flush.records).some(({ done, startedAt }) => done ?? startedAt);
  if (isUltravioletLine(flush.design) || !canBeSanitised(flush.design)) return null;
  if (isBegun) return null;
  const isAdvised = isSanitisingAdvised(survey);
  return (
    <Checkbox
      size="md"
      checked={recorded.sanitise ?? false}
      onChange={({ currentTarget: { checked } }) => deeds.sanitise(checked)}
      label="Sanitise housings and tubes with bleach first"
      description={
        isAdvised
          ? 'Advised here: the supply is not safe.'
          : 'For what is second-hand, was opened, or stood in store for long; for a supply that is not safe.'
      }
    />
  );
}
