import { Segments } from '../../ui/Segments.tsx';
import { type Headway, useShare } from '../../workers/headway.ts';
import { failureHead, failureSentence } from '@katharos/words';
import { ageingBy, type Stage } from '@katharos/job';
import {
  type Failure,
  type InstalledSystem,
  isUltravioletLine,
  type WaterlineNode,
  type WaterlineState,
} from '@katharos/core';
import { Button, Progress, Skeleton, Text } from '@mantine/core';
import IconChevronDown from '@tabler/icons-react/dist/esm/icons/IconChevronDown.mjs';
import { type ReactNode, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { readerChanged } from '../../data/readerSlice.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { late } from '../../ui/late.tsx';
import { useSoon } from '../../ui/Soon.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { useReader } from '../../ui/useReader.ts';
import { type SearchState, type Sizing, useSearch, useSizing } from '../open/sizingContext.ts';
import { useDocument, useJobId } from '../open/useJob.ts';
import { MiniLine } from './MiniLine.tsx';
import { useSolvedLine } from './useSolvedLine.ts';
import styles from './Waterline.module.css';

const lineToCome = <Skeleton height={312} />;
const OpenLine = late(async () => (await import('./OpenLine.tsx')).OpenLine, lineToCome);

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

/**
 * The job's waterline on every stage: the chosen system, else the one proposed so far. Closed it is a row that shows the line small;
 * open it stays open, on every stage and every job, until the person closes it.
 */
export function JobWaterline({ stage }: { stage: Stage }) {
  const open = useAppSelector((state) => state.reader.waterlineOpen);
  const dispatch = useAppDispatch();
  const toggle = () => dispatch(readerChanged({ waterlineOpen: !open }));
  useShortcuts([['w', toggle]]);
  const search = useSearch();
  const { brief, design: membraneDesign, ultraviolet, chosen } = useSizing();
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
  // Solved once the band stands: it is the most of what the band costs.
  const isDue = useSoon();
  const ageing = useAgeing(stage, isDue);
  const solved = useSolvedLine(isDue ? design : null, water, scenes[current], ageing);
  const title = ageing
    ? 'The system as it is by now'
    : chosen
      ? 'The chosen system'
      : 'Proposed so far';
  if (!open) {
    return (
      <section className={styles.frame} aria-label="Waterline">
        <ClosedLine title={title} onOpen={toggle}>
          {solved?.ok ? (
            <MiniLine nodes={solved.value.nodes} />
          ) : (
            <Text span size="sm" c="dimmed" className={styles.mini}>
              {isDue && closedWords(solved, brief, search)}
            </Text>
          )}
          {solved?.ok && <LineFigures nodes={solved.value.nodes} />}
        </ClosedLine>
      </section>
    );
  }
  return (
    <section className={styles.frame} aria-label="Waterline">
      <div className={styles.head}>
        <Text fw={650}>{title}</Text>
        <span className={styles.legend}>
          {stage === 'plumb' && chosen
            ? 'number: tube, dark when laid · bar: push-fit · diamond: nut · ring: other end'
            : 'height: pressure · width: flow · colour and grain: dissolved solids'}
        </span>
        {design && (
          <SceneSwitch
            hasTank={hasTank}
            scene={current}
            onScene={(next) => setScene({ stage, scene: next })}
          />
        )}
        <Button className="no-print" variant="default" size="sm" mih={44} onClick={toggle}>
          Close
        </Button>
      </div>
      {!isDue ? (
        lineToCome
      ) : design && solved ? (
        <OpenLine
          design={design}
          solved={solved}
          tankShare={scenes[current].tankShare}
          plumbing={stage === 'plumb' && chosen}
        />
      ) : brief && !brief.ok ? (
        <NoLine failure={brief.failure} />
      ) : search.kind === 'searching' ? (
        <Searching headway={search.headway} />
      ) : (
        <Skeleton height={200} />
      )}
    </section>
  );
}

/** In the years of service the line is drawn with the membrane as its visits found it. */
function useAgeing(stage: Stage, isDue: boolean) {
  const { survey, size, system, verify, keep, service } = useDocument();
  const isKept = isDue && stage === 'keep' && service?.visits !== undefined;
  return useMemo(
    () => (isKept ? ageingBy({ survey, size, system, verify, keep, service }) : undefined),
    [isKept, survey, size, system, verify, keep, service],
  );
}

function NoLine({ failure }: { failure: Failure }) {
  const jobId = useJobId();
  return (
    <Tone kind="bad" head="No line can be drawn for these readings" role="status">
      {failureSentence(failure)} <Link to={`/jobs/${jobId}/survey`}>Look at the survey</Link>
    </Tone>
  );
}

/** What stands in the closed row where no line can be drawn. */
function closedWords(
  solved: ReturnType<typeof useSolvedLine>,
  brief: Sizing['brief'],
  search: SearchState,
): string {
  if (solved && !solved.ok) return failureHead(solved.failure);
  if (brief && !brief.ok) return 'No line can be drawn for these readings';
  if (search.kind === 'failed') return 'The search for a system stopped';
  return search.kind === 'nothing' ? 'The catalogue holds no system' : 'Looking for a system …';
}

function ClosedLine({
  title,
  onOpen,
  children,
}: {
  title: string;
  onOpen: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={styles.closed}
      aria-expanded={false}
      aria-label={`${title}: open the waterline`}
      onClick={onOpen}
    >
      <span className={styles.title}>{title}</span>
      {children}
      <IconChevronDown size={20} aria-hidden />
    </button>
  );
}

/** The three figures that are asked for most. */
function LineFigures({ nodes }: { nodes: readonly WaterlineNode[] }) {
  const reader = useReader();
  const membrane = nodes.find(({ kind }) => kind === 'membrane');
  const tap = nodes.find(({ kind }) => kind === 'tap');
  const words = [
    membrane && `makes ${reader.say('flow', membrane.flowLPerH)}`,
    tap && `${reader.say('tds', tap.tdsMgL)} at the tap`,
  ].filter(Boolean);
  return <span className={styles.figures}>{words.join(' · ')}</span>;
}

function SceneSwitch({
  hasTank,
  scene,
  onScene,
}: {
  hasTank: boolean;
  scene: Scene;
  onScene: (scene: Scene) => void;
}) {
  return (
    <Segments
      className={`no-print ${styles.scenes}`}
      small
      label="State of the system"
      value={scene}
      onChange={onScene}
      options={
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
  );
}

function Searching({ headway }: { headway: Headway }) {
  const share = useShare(headway);
  return (
    <div style={{ padding: '60px 20px' }}>
      <Text ta="center" mb="xs">
        Judging combinations of the catalogue …
      </Text>
      <Progress value={share * 100} aria-label="Search for a system" />
    </div>
  );
}
