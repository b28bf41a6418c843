import type { LevelBand } from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { clockOf } from './clock.ts';

/** The band of the tank's level as a table, every second hour. */
export function BandTable({ band }: { band: readonly LevelBand[] }) {
  const reader = useReader();
  return (
    <details>
      <summary style={{ minHeight: 32, cursor: 'pointer' }}>The band as a table</summary>
      <table className="table bare" style={{ maxWidth: 420 }}>
        <thead>
          <tr>
            <th>At</th>
            <th className="right">One day in twenty below</th>
            <th className="right">Half the days</th>
            <th className="right">One in twenty above</th>
          </tr>
        </thead>
        <tbody>
          {band
            .filter(({ minute }) => minute % 120 === 0 && minute < 1440)
            .map(({ minute, low, middle, high }) => (
              <tr key={minute}>
                <td>{clockOf(minute)}</td>
                <td className="right">{reader.say('volume', low)}</td>
                <td className="right">{reader.say('volume', middle)}</td>
                <td className="right">{reader.say('volume', high)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </details>
  );
}
