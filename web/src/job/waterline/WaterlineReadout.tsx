import { inUnits, nodeNames } from '@katharos/words';
import { type Dimension, unitOf, unitSystems, type WaterlineNode } from '@katharos/core';
import { useUnits } from '../../ui/useUnits.ts';
import styles from './Waterline.module.css';

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
  const { system } = useUnits();
  const symbols = rows.map(
    ([, dimension]) => unitOf(dimension, unitSystems[system][dimension]).symbol,
  );
  return (
    <>
      <table className={styles.readout}>
        <caption className={styles.units} style={{ captionSide: 'bottom', textAlign: 'left' }}>
          Leaving each component: pressure in {symbols[0]}, flow in {symbols[1]}, dissolved solids
          in {symbols[2]}.
        </caption>
        <thead>
          <tr>
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
              {nodes.map((node) => (
                <td key={node.id} data-picked={picked === node.id}>
                  {inUnits(system, dimension, read(node)).text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

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
  const { say } = useUnits();
  return (
    <ul className={styles.uprightList}>
      {nodes.map((node) => (
        <li key={node.id} style={{ height: pitch }} data-picked={picked === node.id}>
          <strong>{nodeNames[node.kind]}</strong>
          <span>
            {say('pressure', node.pressureBar)} · {say('flow', Math.abs(node.flowLPerH))}
          </span>
          <span className="quiet">{say('tds', node.tdsMgL)}</span>
        </li>
      ))}
    </ul>
  );
}
