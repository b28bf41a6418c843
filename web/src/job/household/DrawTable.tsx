import type { PicturedDay } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { clockOf } from './clock.ts';
import { drawKindNames } from './drawKinds.ts';
import { WideTable } from '../../ui/WideTable.tsx';
import { useState } from 'react';

/** The hardest day draw by draw: what was asked, what came, who waited. */
export function DrawTable({ day }: { day: PicturedDay }) {
  const reader = useReader();
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        The hardest day as a table: day {day.day + 1}, {day.draws.length} draws
      </summary>
      {/* A busy house draws hundreds of times; the rows are only made when somebody looks. */}
      {open && (
        <WideTable minWidth={420} label="Draws of the hardest day" tight>
          <thead>
            <tr>
              <th>At</th>
              <th>What</th>
              <th className="right">Asked</th>
              <th className="right">Came</th>
              <th className="right">Waited</th>
            </tr>
          </thead>
          <tbody>
            {day.draws.map((draw, i) => (
              <tr key={i}>
                <td>{clockOf(draw.minute)}</td>
                <td>{drawKindNames[draw.kind]}</td>
                <td className="right">{reader.say('volume', draw.litres, 2)}</td>
                <td className="right">{reader.say('volume', draw.servedL, 2)}</td>
                <td className="right">
                  {draw.waitMin < 0.05 ? '' : `${reader.number(draw.waitMin, 1)} min`}
                </td>
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
    </details>
  );
}
