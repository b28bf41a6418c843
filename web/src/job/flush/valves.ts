import {
  type FlushState,
  type InstalledSystem,
  isUltravioletLine,
  type NodeKind,
} from '@katharos/core';

/** A valve that a hand turns, as it stands. */
export interface HandValve {
  name: string;
  /** The component on the waterline that it is drawn at. */
  node: NodeKind;
  state: 'open' | 'closed';
}

/** The valves of a system in the order of the water. */
export function valvesOf(system: InstalledSystem, state: FlushState): HandValve[] {
  const design = isUltravioletLine(system) ? null : system;
  const hasTankValve = design?.tank && design.tank.internal !== true;
  return [
    { name: 'house valve', node: 'street', state: state.house },
    { name: 'feed valve', node: 'feed-valve', state: state.feed },
    ...(hasTankValve ? [{ name: 'tank valve', node: 'tank' as const, state: state.tank }] : []),
    { name: 'tap', node: 'tap', state: state.tap },
    ...(design?.branches ?? []).map(({ kind }) => ({
      name: branchValves[kind],
      node: kind,
      state: state.branches,
    })),
  ];
}

const branchValves = {
  refrigerator: 'refrigerator’s valve',
  'ice-maker': 'ice maker’s valve',
  'second-tap': 'second tap’s valve',
  machine: 'machine’s valve',
} as const;

/** Which are open and which are closed, in one sentence. */
export function valveSentence(valves: readonly HandValve[]): string {
  const named = (state: HandValve['state']) =>
    valves.filter((one) => one.state === state).map(({ name }) => name);
  const [open, closed] = [named('open'), named('closed')];
  return [
    open.length > 0 && `Open: ${open.join(', ')}.`,
    closed.length > 0 && `Closed: ${closed.join(', ')}.`,
  ]
    .filter(Boolean)
    .join(' ');
}
