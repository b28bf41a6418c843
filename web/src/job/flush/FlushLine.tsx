import type {
  FeedWater,
  FlushState,
  InstalledSystem,
  NodeKind,
  WaterlineNode,
  WaterReach,
} from '@katharos/core';
import { nodeNames } from '@katharos/words';
import { useElementSize } from '@mantine/hooks';
import { useMemo } from 'react';
import {
  bendLength,
  layOutWaterline,
  pipeWidth,
  type PlacedNode,
  saltShare,
  topPressure,
} from '../waterline/layout.ts';
import { TankLevel } from '../waterline/TankLevel.tsx';
import { NodeSymbol } from '../waterline/symbols.tsx';
import { useSolvedLine } from '../waterline/useSolvedLine.ts';
import { valvesOf, valveSentence } from './valves.ts';
import styles from '../runner/Runner.module.css';

/** Height of the picture, pixels: on a phone every row of text counts. */
const depths = { wide: 118, narrow: 86 };
const narrowPx = 480;
/** A symbol's own width, pixels, and how large it is drawn at most. */
const symbolPx = 38;
const largest = 0.8;

const reaches: readonly WaterReach[] = ['house', 'feed-side', 'product', 'tank'];

/** How far water has to have come for what is behind a component to be wet. */
const reachFor: Partial<Record<NodeKind, WaterReach>> = {
  'feed-valve': 'house',
  existing: 'feed-side',
  sediment: 'feed-side',
  carbon: 'feed-side',
  solenoid: 'feed-side',
  pump: 'feed-side',
  shutoff: 'feed-side',
  tank: 'tank',
};

interface Props {
  design: InstalledSystem;
  water: FeedWater;
  state: FlushState;
  tankShare: number;
}

/** Where the water stands while a step is done: the waterline as far as it is wet, the valves on it open or closed, and both in words. */
export function FlushLine({ design, water, state, tankShare }: Props) {
  const scene = useMemo(() => ({ tap: state.tap, tankShare }), [state.tap, tankShare]);
  const solved = useSolvedLine(design, water, scene);
  const { ref, width } = useElementSize();
  const depth = width < narrowPx ? depths.narrow : depths.wide;
  const valves = valvesOf(design, state);
  if (!solved?.ok) return null;
  const isWet = ({ kind }: WaterlineNode) =>
    reaches.indexOf(reachFor[kind] ?? (kind === 'street' ? 'house' : 'product')) <=
    reaches.indexOf(state.reach);
  const moves = state.feed === 'open' && state.house === 'open';
  const { nodes } = solved.value;
  const shown = nodes.map((node) => ({
    ...node,
    flowLPerH:
      isWet(node) && moves && !(node.kind === 'tank' && state.tank === 'closed')
        ? node.flowLPerH
        : 0,
  }));
  const layout = layOutWaterline(shown, {
    length: width,
    depth,
    margin: 16,
    topBar: topPressure(nodes),
  });
  const most = Math.max(...shown.map((node) => node.flowLPerH), 1);
  const scale = Math.min(largest, width / layout.nodes.length / symbolPx);
  const closed = new Map(valves.map((valve) => [valve.node, valve.state === 'closed']));
  return (
    <figure className={styles.line}>
      <div ref={ref}>
        {width > 0 && (
          <svg width={width} height={depth} fill="none" strokeLinejoin="round" aria-hidden>
            {layout.pipes.map(({ id, from, to, flowLPerH, tdsMgL }) => {
              const wet = isWet(from.node) && isWet(to.node);
              const salt = Math.round(saltShare(tdsMgL) * 100);
              return (
                <path
                  key={id}
                  d={pathOf(from, to)}
                  stroke={
                    wet
                      ? `color-mix(in oklab, var(--k-water-salt) ${salt}%, var(--k-water-clear))`
                      : 'var(--k-line)'
                  }
                  strokeWidth={wet ? Math.max(3, pipeWidth(flowLPerH, most) * 0.7) : 2}
                  strokeLinecap="round"
                  strokeDasharray={wet ? undefined : '1 7'}
                />
              );
            })}
            {layout.nodes.map(({ node, along, level }) => (
              <g key={node.id} opacity={isWet(node) ? 1 : 0.45}>
                <g transform={`translate(${along} ${level}) scale(${scale})`}>
                  <NodeSymbol kind={node.kind} x={0} y={0} picked={false} />
                </g>
                {closed.get(node.kind) && (
                  <path
                    d={`M${along - 4} ${level - 26 * scale - 4}l8 8m0 -8l-8 8`}
                    stroke="var(--k-bad)"
                    strokeWidth={3}
                    strokeLinecap="round"
                  />
                )}
                {node.kind === 'tank' && isWet(node) && (
                  <TankLevel x={along - 6} y={level} share={tankShare} />
                )}
              </g>
            ))}
          </svg>
        )}
      </div>
      <figcaption>
        {valveSentence(valves)} {waterSentence(state, shown)}
      </figcaption>
    </figure>
  );
}

const pathOf = (from: PlacedNode, to: PlacedNode): string => {
  const turn = to.along - bendLength(from.along, to.along);
  return `M${from.along} ${from.level}L${turn} ${from.level}Q${to.along} ${from.level} ${to.along} ${to.level}`;
};

/** How far the water has come, in words. */
function waterSentence(state: FlushState, nodes: readonly WaterlineNode[]): string {
  if (state.bucketTube === 'off' && state.reach === 'feed-side') {
    return state.feed === 'open' ? 'Water runs into the bucket.' : 'Water stands up to the bucket.';
  }
  const last = {
    house: 'Water stands at the feed valve.',
    'feed-side': `Water stands as far as the ${nodeNames[feedEnd(nodes)].toLowerCase()}.`,
    product:
      state.tap === 'open' ? 'Water runs to tap and drain.' : 'Water stands at the closed tap.',
    tank: state.tap === 'open' ? 'The tank runs out at the tap.' : 'Water runs into the tank.',
  };
  return state.house === 'closed' ? 'The house is still shut off.' : last[state.reach];
}

/** The last component ahead of the membrane. */
const feedEnd = (nodes: readonly WaterlineNode[]): NodeKind => {
  const at = nodes.findIndex(({ kind }) => kind === 'membrane');
  return nodes[Math.max(0, at - 1)]?.kind ?? 'feed-valve';
};
