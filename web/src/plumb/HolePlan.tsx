import type { Plumbing } from '@katharos/contract';
import styles from './Sheet.module.css';

/** The holes at one to one: printed without scaling, they are marked through the paper. A ruler on the page tells whether it was. */
export function HolePlan({ plumbing: { tap, drain } }: { plumbing: Plumbing }) {
  const holes = [
    ...(tap.holeMm > 0 ? [{ name: 'Tap', mm: tap.holeMm }] : []),
    ...(drain.holeMm > 0 ? [{ name: 'Drain', mm: drain.holeMm }] : []),
    ...(tap.pilotMm ? [{ name: 'Pilot', mm: tap.pilotMm }] : []),
  ];
  const height = 90;
  return (
    <section className={styles.page}>
      <h2>Holes, one to one</h2>
      <p>Print at 100 %. The line must measure 100 mm, or the plan is no good.</p>
      <svg
        width="170mm"
        height={`${height}mm`}
        viewBox={`0 0 170 ${height}`}
        role="img"
        aria-label={`Hole plan: ${holes.map(({ name, mm }) => `${name} ${mm} mm`).join(', ')}`}
      >
        <g stroke="black" strokeWidth="0.3" fill="none">
          <path d="M10 10h100M10 7v6M110 7v6" />
          {Array.from({ length: 9 }, (_, i) => (
            <path key={i} d={`M${20 + 10 * i} 8.5v3`} />
          ))}
          {holes.map(({ name, mm }, i) => {
            const cx = 30 + 50 * i;
            return (
              <g key={name}>
                <circle cx={cx} cy={50} r={mm / 2} />
                <path d={`M${cx - mm / 2 - 6} 50h${mm + 12}M${cx} ${50 - mm / 2 - 6}v${mm + 12}`} />
              </g>
            );
          })}
        </g>
        <g fontSize="4" fill="black">
          <text x="113" y="11.5">
            100 mm
          </text>
          {holes.map(({ name, mm }, i) => (
            <text key={name} x={30 + 50 * i} y={86} textAnchor="middle">
              {name}, {mm} mm
            </text>
          ))}
        </g>
      </svg>
    </section>
  );
}
