import type { JobBrief } from '@katharos/job';
import {
  type Plumbing,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '@katharos/core';
import { useJobId } from '../../open/useJob.ts';
import { BranchesPanel } from './BranchesPanel.tsx';
import { CutPanel } from './CutPanel.tsx';
import { DrainPanel } from './DrainPanel.tsx';
import { FeedPanel } from './FeedPanel.tsx';
import { PowerPanel } from './PowerPanel.tsx';
import { TapPanel } from './TapPanel.tsx';
import { SimpleGrid, Stack, Text } from '@mantine/core';
import { Link } from 'react-router';

interface Props {
  plumbing: Plumbing;
  system: InstalledSystem;
  brief: JobBrief;
}

/** Where the system meets the house: feed, drain, counter, branches and power. */
export function ConnectionsPanel({ plumbing, system, brief }: Props) {
  const jobId = useJobId();
  const lit = isUltravioletLine(system);
  if (isAddedLamp(system))
    return (
      <SimpleGrid cols={{ base: 1, md: 2 }}>
        <CutPanel plumbing={plumbing} />
        <PowerPanel plumbing={plumbing} system={system} />
      </SimpleGrid>
    );
  return (
    <>
      <SimpleGrid cols={{ base: 1, md: 2 }}>
        <Stack>
          <FeedPanel plumbing={plumbing} />
          <TapPanel plumbing={plumbing} system={system} />
        </Stack>
        <Stack>
          {!lit && <DrainPanel plumbing={plumbing} system={system} />}
          <PowerPanel plumbing={plumbing} system={system} />
        </Stack>
      </SimpleGrid>
      {!lit && system.branches.length > 0 && <BranchesPanel system={system} brief={brief} />}
      <Text size="sm" c="dimmed">
        All of it follows from{' '}
        <Link to={`/jobs/${jobId}/survey?place=under-the-sink`}>the survey</Link>.
      </Text>
    </>
  );
}
