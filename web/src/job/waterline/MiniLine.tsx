import type { WaterlineNode } from '@katharos/core';
import { useElementSize } from '@mantine/hooks';
import { bendLength, layOutWaterline, pipeWidth, saltShare, topPressure } from './layout.ts';
import styles from './Waterline.module.css';

const depth = 40;

/** The line in one row of text height: level, width and colour as in the large one, a dot where a component stands. */
export function MiniLine({ nodes }: { nodes: readonly WaterlineNode[] }) {
  const { ref, width } = useElementSize();
  const layout = layOutWaterline(nodes, {
    length: width,
    depth,
    margin: 6,
    topBar: topPressure(nodes),
    drainFall: 9,
  });
  const largest = Math.max(...nodes.map((node) => node.flowLPerH));
  return (
    <span ref={ref} className={styles.mini} aria-hidden>
      {width > 0 && (
        <svg width={width} height={depth} fill="none" strokeLinejoin="round">
          {layout.pipes.map(({ id, from, to, flowLPerH, tdsMgL }) => {
            const turn = to.along - Math.min(bendLength(from.along, to.along), 14);
            const salt = Math.round(saltShare(tdsMgL) * 100);
            return (
              <path
                key={id}
                d={`M${from.along} ${from.level}L${turn} ${from.level}Q${to.along} ${from.level} ${to.along} ${to.level}`}
                stroke={`color-mix(in oklab, var(--k-water-salt) ${salt}%, var(--k-water-clear))`}
                strokeWidth={Math.max(pipeWidth(flowLPerH, largest) * 0.5, 1.5)}
                strokeLinecap="round"
                strokeDasharray={flowLPerH > 0 ? undefined : '1 5'}
              />
            );
          })}
          {layout.nodes.map(({ node, along, level }) => (
            <circle
              key={node.id}
              className={styles.dot}
              cx={along}
              cy={level}
              r={node.kind === 'membrane' ? 5 : 3}
            />
          ))}
        </svg>
      )}
    </span>
  );
}
