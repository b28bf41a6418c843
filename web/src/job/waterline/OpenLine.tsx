import { failureHead, failureSentence, nodeExplanations, nodeNames } from '@katharos/words';
import type { InstalledSystem, WaterlineNode } from '@katharos/core';
import { CloseButton, Group, Text } from '@mantine/core';
import { useElementSize, useMediaQuery } from '@mantine/hooks';
import { useState } from 'react';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useDocument } from '../open/useJob.ts';
import { TubeInspector } from './TubeInspector.tsx';
import { useLineTubes } from './useLineTubes.ts';
import type { useSolvedLine } from './useSolvedLine.ts';
import styles from './Waterline.module.css';
import { WaterlineDrawing } from './WaterlineDrawing.tsx';
import { AcrossReadout, rowHeadPx, UprightReadout } from './WaterlineReadout.tsx';

interface LineProps {
  design: InstalledSystem;
  solved: NonNullable<ReturnType<typeof useSolvedLine>>;
  tankShare: number;
  /** Whether the tubes are shown on it. */
  plumbing: boolean;
}

/** Height of a component's row on the upright line, pixels: a thumb for each, and one more for the tube between two. */
const rowPitch = { plain: 62, plumbing: 92 } as const;
const noNodes: readonly WaterlineNode[] = [];

/** The line as it is drawn open: every component with what stands there, and its tubes where they are laid. */
export function OpenLine({ design, solved, tankShare, plumbing }: LineProps) {
  const upright = useMediaQuery('(max-width: 48em)', false, { getInitialValueInEffect: false });
  const { ref, width } = useElementSize();
  const pitch = plumbing ? rowPitch.plumbing : rowPitch.plain;
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
  const drawing = { nodes, tankShare, picked, onPick: pick, tubes };
  return (
    <>
      {upright ? (
        <div className={styles.uprightRow}>
          <WaterlineDrawing {...drawing} upright length={shown.length * pitch} depth={150} />
          <UprightReadout nodes={shown} picked={picked} pitch={pitch} />
        </div>
      ) : (
        <div ref={ref} className={styles.across}>
          {width > 0 && (
            <>
              <WaterlineDrawing
                {...drawing}
                upright={false}
                length={width - rowHeadPx}
                depth={210}
              />
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
  const reader = useReader();
  const document = useDocument();
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
            Leaving it: {reader.say('pressure', node.pressureBar)},{' '}
            {reader.say('flow', Math.abs(node.flowLPerH))}, {reader.say('tds', node.tdsMgL)}
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
