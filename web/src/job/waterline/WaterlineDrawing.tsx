import type { WaterlineNode } from '@katharos/core';
import { nodeNames } from '@katharos/words';
import {
  bendLength,
  layOutWaterline,
  pipeWidth,
  type PlacedPipe,
  saltShare,
  topPressure,
} from './layout.ts';
import type { StretchTubes } from './lineTubes.ts';
import { NodeSymbol } from './symbols.tsx';
import { TankLevel } from './TankLevel.tsx';
import { TubeMarks } from './TubeMarks.tsx';
import styles from './Waterline.module.css';

interface Props {
  nodes: readonly WaterlineNode[];
  /** Pixels along the flow and across it. */
  length: number;
  depth: number;
  /** Across the page, or down it on a phone. */
  upright: boolean;
  tankShare: number;
  picked: string | null;
  onPick: (id: string) => void;
  /** Tubes by the pipes they stand for; empty where nobody plumbs. */
  tubes?: readonly StretchTubes[];
}

const margin = 30;

/** The line itself: height is pressure, width is flow, colour and grain are dissolved solids. */
export function WaterlineDrawing({
  nodes,
  length,
  depth,
  upright,
  tankShare,
  picked,
  onPick,
  tubes = [],
}: Props) {
  const layout = layOutWaterline(nodes, { length, depth, margin, topBar: topPressure(nodes) });
  const largest = Math.max(...nodes.map((node) => node.flowLPerH));
  // Down the page, more pressure stands further to the right.
  const at = (along: number, level: number): [number, number] =>
    upright ? [depth - level, along] : [along, level];
  const floor = [at(0, layout.floor), at(length, layout.floor)];
  return (
    <svg
      className={styles.drawing}
      width={upright ? depth : length}
      height={upright ? length : depth}
      role="group"
      aria-label="Waterline from street to glass"
    >
      <line
        className={styles.floor}
        x1={floor[0]![0]}
        y1={floor[0]![1]}
        x2={floor[1]![0]}
        y2={floor[1]![1]}
      />
      {layout.pipes.map((pipe) => (
        <Pipe
          key={pipe.id}
          pipe={pipe}
          at={at}
          upright={upright}
          width={pipeWidth(pipe.flowLPerH, largest)}
          salt={saltShare(pipe.tdsMgL)}
        />
      ))}
      {layout.pipes.map((pipe) => {
        const stretch = tubes.find((one) => one.pipe === pipe.id);
        return (
          stretch && (
            <TubeMarks
              key={pipe.id}
              pipe={pipe}
              stretch={stretch}
              at={at}
              pitch={length / layout.nodes.length}
              upright={upright}
              picked={picked === pipe.id}
              onPick={() => onPick(pipe.id)}
            />
          )
        );
      })}
      {layout.nodes.map(({ node, along, level }) => {
        const [x, y] = at(along, level);
        return (
          <g key={node.id}>
            {node.kind === 'tank' && tubes.length === 0 && (
              <TankLevel x={x} y={y} share={tankShare} />
            )}
            <g
              role="button"
              tabIndex={0}
              aria-pressed={picked === node.id}
              aria-label={
                node.count ? `${nodeNames[node.kind]}, ${node.count}` : nodeNames[node.kind]
              }
              className={styles.node}
              onClick={() => onPick(node.id)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onPick(node.id);
              }}
            >
              <circle cx={x} cy={y} r={22} fill="transparent" />
              <NodeSymbol kind={node.kind} x={x} y={y} picked={picked === node.id} />
              {node.count && (
                <text x={x + 14} y={y - 14} fontSize={13} fontWeight={700} fill="var(--k-ink)">
                  ×{node.count}
                </text>
              )}
            </g>
          </g>
        );
      })}
    </svg>
  );
}

interface PipeProps {
  pipe: PlacedPipe;
  at: (along: number, level: number) => [number, number];
  upright: boolean;
  width: number;
  salt: number;
}

/** A run of water that keeps its level until just before the next component, where its pressure changes. */
function Pipe({ pipe, at, upright, width, salt }: PipeProps) {
  const { from, to } = pipe;
  const bend = bendLength(from.along, to.along);
  const start = at(from.along, from.level);
  const turn = at(to.along - bend, from.level);
  const end = at(to.along, to.level);
  const near = upright ? [turn[0], end[1]] : [end[0], turn[1]];
  const path = `M${start.join(' ')}L${turn.join(' ')}Q${near.join(' ')} ${end.join(' ')}`;
  const flowing = pipe.flowLPerH > 0;
  const colour = `color-mix(in oklab, var(--k-water-salt) ${Math.round(salt * 100)}%, var(--k-water-clear))`;
  return (
    <g fill="none" strokeLinejoin="round">
      <path
        d={path}
        stroke={colour}
        strokeWidth={width}
        strokeLinecap="round"
        strokeDasharray={flowing ? undefined : '2 7'}
      />
      {flowing && salt > 0.05 && (
        // Grain: the closer the dots, the more salt. It tells strength apart without colour.
        <path
          d={path}
          stroke="var(--k-grain)"
          strokeWidth={Math.min(2.4, width / 2.4)}
          strokeLinecap="round"
          strokeDasharray={`0.1 ${(30 - 24 * salt).toFixed(1)}`}
        />
      )}
    </g>
  );
}
