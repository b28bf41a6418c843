import type { DrainHole } from '@katharos/core';

/** Where the hole goes and where it must not: the waste from the sink to the wall, from the side. */
export function DrainPicture({ drain }: { drain: DrainHole }) {
  const horizontal = drain.angleDeg !== null;
  const spots = {
    'before-trap': horizontal ? [118, 52] : [70, 74],
    'after-bend': [150, 130],
    'after-trap': [196, 92],
  } as const;
  const [x, y] = spots[drain.place];
  const pipe = horizontal
    ? 'M70 14V52H160V120q0 22 18 22t18 -22V92H252'
    : 'M70 14V120q0 26 26 26t26 -26V92H252';
  return (
    <svg viewBox="0 0 260 170" role="img" style={{ width: '100%', maxWidth: 420 }}>
      <title>
        {`The saddle sits ${drain.deviation ? 'behind' : 'on the sink side of'} the trap${horizontal ? ', near the top of the level pipe' : ', low on the upright pipe'}.`}
      </title>
      <path d="M30 10h80" stroke="var(--k-ink)" strokeWidth="4" />
      <path d={pipe} fill="none" stroke="var(--k-line)" strokeWidth="18" strokeLinejoin="round" />
      <path d="M252 60v64" stroke="var(--k-ink)" strokeWidth="4" />
      <g fontSize="11" fill="var(--k-quiet)">
        <text x="34" y="28">
          sink
        </text>
        <text x="78" y="165">
          trap: its water seals the sewer off
        </text>
        <text x="214" y="54">
          wall
        </text>
      </g>
      <circle
        cx={x}
        cy={y}
        r="13"
        fill="none"
        stroke={drain.deviation ? 'var(--k-bad)' : 'var(--k-good)'}
        strokeWidth="3"
      />
      <path
        d={`M${x} ${y}l${horizontal ? '-8 -26' : '-34 -12'}`}
        stroke="var(--k-water-salt)"
        strokeWidth="4"
      />
      {!drain.deviation && (
        <g stroke="var(--k-bad)" strokeWidth="3">
          <path d="M190 86l12 12M202 86l-12 12" />
          <path d={horizontal ? 'M172 136l12 12M184 136l-12 12' : 'M90 140l12 12M102 140l-12 12'} />
        </g>
      )}
      <text x={x + 18} y={y - 8} fontSize="12" fontWeight="700" fill="var(--k-ink)">
        {drain.deviation ? 'deviation' : 'here'}
      </text>
    </svg>
  );
}
