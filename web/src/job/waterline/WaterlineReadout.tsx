import { nodeNames } from '@katharos/words';
import {
  type Dimension,
  unitOf,
  type UnitSystem,
  unitSystems,
  type WaterlineNode,
} from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import styles from './Waterline.module.css';

/** Room at the left for what each row is, pixels; the drawing above leaves as much. */
export const rowHeadPx = 108;

const rows: [label: string, dimension: Dimension, read: (node: WaterlineNode) => number][] = [
  ['Pressure', 'pressure', (node) => node.pressureBar],
  ['Flow', 'flow', (node) => Math.abs(node.flowLPerH)],
  ['TDS', 'tds', (node) => node.tdsMgL],
];

/** The same line as a table below the drawing: column by column what leaves each component. */
export function AcrossReadout({
  nodes,
  picked,
}: {
  nodes: readonly WaterlineNode[];
  picked: string | null;
}) {
  const reader = useReader();
  const { units: system } = reader;
  return (
    <table className={styles.readout}>
      <caption className="sr">What leaves each component</caption>
      <colgroup>
        <col style={{ width: rowHeadPx }} />
      </colgroup>
      <thead>
        <tr>
          <td />
          {nodes.map((node) => (
            <th key={node.id} scope="col" data-picked={picked === node.id}>
              {nodeNames[node.kind].replace('Refrigerator', 'Refrig\u00aderator')}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, dimension, read]) => (
          <tr key={label} data-row={dimension}>
            <th scope="row">
              {label} <span className="quiet">{symbolOf(system, dimension)}</span>
            </th>
            {nodes.map((node) => (
              <td key={node.id} data-picked={picked === node.id}>
                {reader.apart(dimension, read(node)).text}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const symbolOf = (system: UnitSystem, dimension: Dimension): string =>
  unitOf(dimension, unitSystems[system][dimension]).symbol;

/** The readout beside the upright line of a phone. */
export function UprightReadout({
  nodes,
  picked,
  pitch,
}: {
  nodes: readonly WaterlineNode[];
  picked: string | null;
  pitch: number;
}) {
  const reader = useReader();
  return (
    <ul className={styles.uprightList}>
      {nodes.map((node) => (
        <li key={node.id} style={{ height: pitch }} data-picked={picked === node.id}>
          <strong>{nodeNames[node.kind]}</strong>
          <span>
            {reader.say('pressure', node.pressureBar)} ·{' '}
            {reader.say('flow', Math.abs(node.flowLPerH))}
          </span>
          <span className="quiet">{reader.say('tds', node.tdsMgL)}</span>
        </li>
      ))}
    </ul>
  );
}
