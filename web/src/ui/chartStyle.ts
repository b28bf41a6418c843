/** The look that all charts share; spread into Recharts' own parts. */
export const chartGrid = { stroke: 'var(--k-line)', strokeDasharray: '2 4' } as const;
export const chartTick = { fill: 'var(--k-quiet)' } as const;
export const chartMargin = { left: 4, right: 16, top: 8, bottom: 4 } as const;
export const chartTooltip = {
  contentStyle: {
    background: 'var(--k-surface)',
    border: '1px solid var(--k-line)',
    color: 'var(--k-ink)',
  },
} as const;
