import styles from './TapStack.module.css';

/** What is stacked on the stem, from above to below: width of the ring beside the stem, and its height. */
const above = [
  { name: 'escutcheon', width: 40, height: 9 },
  { name: 'thin washer', width: 34, height: 4 },
] as const;
const below = [
  { name: 'thick washer', width: 34, height: 10 },
  { name: 'lock washer', width: 28, height: 5 },
  { name: 'nut', width: 24, height: 12 },
] as const;

/** Names stand at least this far apart, so that each can be read beside its thin ring. */
const line = 16;

const middle = 110;
const stem = 7;
const counterTop = 84;
const counterHigh = 26;

/** A section through the counter: which ring goes where on the tap's stem. */
export function TapStack({ hoses }: { hoses: 1 | 3 }) {
  const high = above.reduce((sum, { height }) => sum + height + 2, 0);
  const rings = [
    ...stacked(above, counterTop - high),
    ...stacked(below, counterTop + counterHigh + 2),
  ];
  const last = rings.at(-1)!;
  const stemEnd = last.at + last.height + 2 + 14;
  // From the top down, each name beside its ring or just below the one before.
  const named = [
    ...rings.map(({ name, width, height, at }) => ({
      name,
      at: at + height / 2,
      x: middle + stem + width,
    })),
    { name: 'counter', at: counterTop + counterHigh / 2, x: 206 },
    {
      name: hoses === 3 ? 'thin up, product, wide down' : 'product hose',
      at: stemEnd + 24,
      x: middle + (hoses === 3 ? 27 : 2),
    },
  ]
    .sort((a, b) => a.at - b.at)
    .reduce<{ name: string; at: number; x: number; label: number }[]>((placed, one) => {
      const free = (placed.at(-1)?.label ?? -Infinity) + line;
      return [...placed, { ...one, label: Math.max(one.at, free, 0) }];
    }, []);
  return (
    <svg viewBox={`0 0 410 ${stemEnd + 44}`} role="img" className={styles.stack}>
      <title>
        {`Stack of the tap. Above the counter: ${above.map(({ name }) => name).join(', ')}. Below: ${below.map(({ name }) => name).join(', ')}; then ${hoses === 3 ? 'three hoses' : 'the hose'}.`}
      </title>
      <path
        className={styles.metal}
        d={`M${middle - stem} ${stemEnd}V26a26 22 0 0 1 52 0v8h-10v-6a16 12 0 0 0 -32 0V${stemEnd}z`}
      />
      <g className={styles.counter}>
        <rect x="14" y={counterTop} width={middle - stem - 18} height={counterHigh} />
        <rect
          x={middle + stem + 4}
          y={counterTop}
          width={206 - middle - stem - 4}
          height={counterHigh}
        />
      </g>
      {rings.map(({ name, width, height, at }) => (
        <g key={name}>
          <rect
            className={styles.ring}
            x={middle - stem - width}
            y={at}
            width={width}
            height={height}
            rx="2"
          />
          <rect
            className={styles.ring}
            x={middle + stem}
            y={at}
            width={width}
            height={height}
            rx="2"
          />
        </g>
      ))}
      <g className={styles.hose}>
        <path d={`M${middle} ${stemEnd}v34`} />
        {hoses === 3 && (
          <>
            <path d={`M${middle - 9} ${stemEnd - 4}q-16 10 -16 38`} />
            <path className={styles.wide} d={`M${middle + 9} ${stemEnd - 4}q18 10 18 38`} />
          </>
        )}
      </g>
      {named.map(({ name, at, x, label }) => (
        <g key={name}>
          <path className={styles.lead} d={`M${x} ${at}H${Math.max(x, 200)}L216 ${label}`} />
          <text className={styles.name} x="220" y={label + 4}>
            {name}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Rings one under the other, each with its upper edge. */
function stacked<T extends { height: number }>(
  rings: readonly T[],
  from: number,
): (T & { at: number })[] {
  return rings.map((ring, i) => ({
    ...ring,
    at: rings.slice(0, i).reduce((y, { height }) => y + height + 2, from),
  }));
}
