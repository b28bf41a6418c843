import type { JobBrief } from '@katharos/job';
import type { InstalledSystem } from '@katharos/core';
import { NeedsBrief } from '../open/NeedsBrief.tsx';
import { NeedsSystem } from '../open/NeedsSystem.tsx';
import { useDocument, useJob } from '../open/useJob.ts';
import { late } from '../../ui/late.tsx';
import { ViewSwitch } from '../../ui/ViewSwitch.tsx';
import { useSizing } from '../open/sizingContext.ts';
import { Photographs } from '../photographs/Photographs.tsx';
import { WorkPanel } from './order/WorkPanel.tsx';
import { usePlumbing } from '../open/usePlumbing.ts';
import { Button, Group, Skeleton, Stack, Title } from '@mantine/core';
import { Link, useNavigate, useSearchParams } from 'react-router';

const opening = <Skeleton height={400} aria-label="Opening the view" />;
const CabinetPanel = late(
  async () => (await import('./cabinet/CabinetPanel.tsx')).CabinetPanel,
  opening,
);
const ConnectionsPanel = late(
  async () => (await import('./connections/ConnectionsPanel.tsx')).ConnectionsPanel,
  opening,
);
const TubesPanel = late(async () => (await import('./tubes/TubesPanel.tsx')).TubesPanel, opening);
const PartsPanel = late(async () => (await import('./parts/PartsPanel.tsx')).PartsPanel, opening);

/** From the chosen system to a cabinet that can be flushed. */
export function PlumbStage() {
  const document = useDocument();
  const { brief } = useSizing();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Plumb"
        reason="The order of work, the parts and the tubes are made for the system that was chosen."
      />
    );
  }
  if (!brief?.ok) return <NeedsBrief />;
  return <Plumbing system={document.system.design} brief={brief.value} />;
}

const views = [
  { value: 'work', label: 'Order of work' },
  { value: 'fit', label: 'Does it fit' },
  { value: 'connections', label: 'Connections' },
  { value: 'tubes', label: 'Tubes' },
  { value: 'parts', label: 'Parts' },
] as const;
type View = (typeof views)[number]['value'];

function Plumbing({ system, brief }: { system: InstalledSystem; brief: JobBrief }) {
  const { jobId, document, edit, stamp } = useJob();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const view: View = views.find(({ value }) => value === params.get('view'))?.value ?? 'work';
  const plumbing = usePlumbing(system, brief);
  const { done = {} } = document.plumb;
  const finished = plumbing.steps.every(({ id, mark }) => done[id]?.mark === mark);
  const finish = () => {
    edit(({ plumb }) => ({
      plumb: { ...plumb, ticks: { ...plumb.ticks, finished: stamp() } },
    }));
    void navigate(`/jobs/${jobId}/flush`);
  };
  return (
    <Stack gap="md">
      <Group justify="space-between">
        <Title order={2} size="h3" className="stage-title">
          Plumb
        </Title>
        <Group className="no-print" gap="xs">
          <Button variant="default" size="md" component={Link} to={`/jobs/${jobId}/sheet`}>
            Job sheet
          </Button>
          <Button size="md" variant={finished ? 'filled' : 'default'} onClick={finish}>
            Plumbed in: flush
          </Button>
        </Group>
      </Group>
      <ViewSwitch
        label="View of the plumbing"
        value={view}
        views={views}
        onChange={(next) => setParams({ view: next }, { replace: true })}
      />
      {view === 'work' && (
        <>
          <WorkPanel plumbing={plumbing} />
          <Photographs subject="work" />
        </>
      )}
      {view === 'fit' && <CabinetPanel plumbing={plumbing} system={system} brief={brief} />}
      {view === 'connections' && (
        <ConnectionsPanel plumbing={plumbing} system={system} brief={brief} />
      )}
      {view === 'tubes' && <TubesPanel tubes={plumbing.tubes} />}
      {view === 'parts' && <PartsPanel plumbing={plumbing} />}
    </Stack>
  );
}
