import { failureHead, failureSentence, nodeExplanations, nodeNames } from '@katharos/words';
import { lampFeedOf, type Stage } from '@katharos/job';
import {
  type FeedWater,
  type InstalledSystem,
  isUltravioletLine,
  ultravioletWaterline,
  waterline,
  type WaterlineNode,
  type WaterlineState,
} from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { useUnits } from '../../ui/useUnits.ts';
import { useSizing } from '../open/sizingContext.ts';
import { TubeInspector } from './TubeInspector.tsx';
import { useLineTubes } from './useLineTubes.ts';
import { WaterlineDrawing } from './WaterlineDrawing.tsx';
import { AcrossReadout, UprightReadout } from './WaterlineReadout.tsx';
import {
  Button,
  CloseButton,
  Group,
  Progress,
  SegmentedControl,
  Skeleton,
  Text,
} from '@mantine/core';
import { useElementSize, useMediaQuery } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import styles from './Waterline.module.css';

type Scene = 'filling' | 'full' | 'tap';

const scenes: Record<Scene, WaterlineState> = {
  filling: { tap: 'closed', tankShare: 0.5 },
  full: { tap: 'closed', tankShare: 1 },
  tap: { tap: 'open', tankShare: 0.5 },
};

/** The scene a stage usually looks at. */
const usualScene: Record<Stage, Scene> = {
  survey: 'filling',
  size: 'filling',
  plumb: 'filling',
  flush: 'filling',
  verify: 'tap',
  keep: 'tap',
};

/** The job's waterline on every stage: the chosen system, else the one proposed so far. */
export function JobWaterline({ stage }: { stage: Stage }) {
  const { job } = useJob();
  const { brief, search, design: membraneDesign, ultraviolet, chosen } = useSizing();
  const design: InstalledSystem | null = ultraviolet ?? membraneDesign;
  const hasTank = design !== null && !isUltravioletLine(design) && design.tank !== null;
  const [scene, setScene] = useState<{ stage: Stage; scene: Scene }>({
    stage,
    scene: usualScene[stage],
  });
  const picked = scene.stage === stage ? scene.scene : usualScene[stage];
  // Without a tank there is no filling to look at; making water means an open tap.
  const current = design && !hasTank && picked === 'filling' ? 'tap' : picked;
  const water = brief?.ok ? brief.value.task.waters.today : null;
  const small = useMediaQuery('(max-width: 48em)', false, { getInitialValueInEffect: false });
  const [open, setOpen] = useState(false);
  const collapsed = small && !open;

  return (
    <section className={styles.frame} aria-label="Waterline">
      <div className={styles.head}>
        <Text fw={650}>{chosen ? 'The chosen system' : 'Proposed so far'}</Text>
        {!collapsed && (
          <span className={styles.legend}>
            {stage === 'plumb' && chosen
              ? 'number: tube, dark when laid · bar: push-fit · diamond: nut · ring: other end'
              : 'height: pressure · width: flow · colour and grain: dissolved solids'}
          </span>
        )}
        {design && !collapsed && (
          <SegmentedControl
            className="no-print"
            ml={{ sm: 'auto' }}
            size="sm"
            aria-label="State of the system"
            value={current}
            onChange={(value) => setScene({ stage, scene: value })}
            data={
              hasTank
                ? [
                    { value: 'filling', label: 'Tank half full' },
                    { value: 'full', label: 'Tank full' },
                    { value: 'tap', label: 'Tap open' },
                  ]
                : [
                    { value: 'full', label: 'Tap closed' },
                    { value: 'tap', label: 'Tap open' },
                  ]
            }
          />
        )}
        {small && (
          <Button
            className="no-print"
            variant="default"
            size="sm"
            mih={44}
            ml="auto"
            onClick={() => setOpen(!open)}
          >
            {open ? 'Hide the waterline' : 'Show the waterline'}
          </Button>
        )}
      </div>
      {collapsed ? null : design && water ? (
        <Line
          design={design}
          water={water}
          state={scenes[current]}
          upright={small}
          plumbing={stage === 'plumb' && chosen}
        />
      ) : brief && !brief.ok ? (
        <Tone kind="bad" head="No line can be drawn for these readings" role="status">
          {failureSentence(brief.failure)}{' '}
          <Link to={`/jobs/${job.id}/survey`}>Look at the survey</Link>
        </Tone>
      ) : (
        <Searching share={search.kind === 'searching' ? search.share : null} />
      )}
    </section>
  );
}

function Searching({ share }: { share: number | null }) {
  if (share === null) return <Skeleton height={200} />;
  return (
    <div style={{ padding: '60px 20px' }}>
      <Text ta="center" mb="xs">
        Judging combinations of the catalogue …
      </Text>
      <Progress value={share * 100} aria-label="Search for a system" />
    </div>
  );
}

interface LineProps {
  design: InstalledSystem;
  water: FeedWater;
  state: WaterlineState;
  upright: boolean;
  /** Whether the tubes are shown on it. */
  plumbing: boolean;
}

const rowPitch = 62;
const noNodes: readonly WaterlineNode[] = [];

function Line({ design, water, state, upright, plumbing }: LineProps) {
  const { survey } = useJob().document;
  const solved = useMemo(
    () =>
      isUltravioletLine(design)
        ? ultravioletWaterline(design, water, lampFeedOf(survey, water.hardnessMgL), state)
        : waterline(design, water, state),
    [design, water, survey, state],
  );
  const { ref, width } = useElementSize();
  const tubes = useLineTubes(plumbing && solved.ok ? solved.value.nodes : noNodes, design);
  const [picked, setPicked] = useState<string | null>(null);
  if (!solved.ok) {
    return (
      <Tone kind="bad" head={failureHead(solved.failure)} role="status">
        {failureSentence(solved.failure)}
      </Tone>
    );
  }
  const { nodes } = solved.value;
  const shown = nodes.filter((node) => node.kind !== 'restrictor');
  const pick = (id: string) => setPicked((before) => (before === id ? null : id));
  const drawing = { nodes, tankShare: state.tankShare, picked, onPick: pick, tubes };
  return (
    <>
      {upright ? (
        <div className={styles.uprightRow}>
          <WaterlineDrawing {...drawing} upright length={shown.length * rowPitch} depth={150} />
          <UprightReadout nodes={shown} picked={picked} pitch={rowPitch} />
        </div>
      ) : (
        <div ref={ref}>
          {width > 0 && (
            <>
              <WaterlineDrawing {...drawing} upright={false} length={width} depth={230} />
              <AcrossReadout nodes={shown} picked={picked} />
            </>
          )}
        </div>
      )}
      <TubeInspector
        stretch={tubes.find(({ pipe }) => pipe === picked)}
        onClose={() => setPicked(null)}
      />
      <Inspector node={shown.find((node) => node.id === picked)} onClose={() => setPicked(null)} />
    </>
  );
}

/** What the picked component is and what stands there now. */
function Inspector({ node, onClose }: { node: WaterlineNode | undefined; onClose: () => void }) {
  const { say } = useUnits();
  const { document } = useJob();
  if (!node) return null;
  return (
    <div className={styles.inspector} role="status">
      <Group justify="space-between" wrap="nowrap" align="flex-start">
        <div>
          <Text fw={650}>
            {nodeNames[node.kind]}
            {node.count && ` × ${node.count}`}
            {node.partName && <span className="quiet"> · {node.partName}</span>}
          </Text>
          <Text size="sm">{nodeExplanations[node.kind]}</Text>
          <Text size="sm" c="dimmed">
            Leaving it: {say('pressure', node.pressureBar)}, {say('flow', Math.abs(node.flowLPerH))}
            , {say('tds', node.tdsMgL)}
            {node.kind === 'street' &&
              document.survey.source !== 'unknown' &&
              ` (${document.survey.source})`}
          </Text>
        </div>
        <CloseButton aria-label="Close" size="lg" onClick={onClose} />
      </Group>
    </div>
  );
}
