/** How full the tank is, as a water level beside its symbol. */
export function TankLevel({ x, y, share }: { x: number; y: number; share: number }) {
  const height = 34;
  return (
    <g transform={`translate(${x + 22} ${y - height / 2})`} aria-hidden>
      <rect width="7" height={height} rx="3" fill="none" stroke="var(--k-line)" />
      <rect
        y={height * (1 - share)}
        width="7"
        height={height * share}
        rx="3"
        fill="var(--k-water-clear)"
      />
    </g>
  );
}
