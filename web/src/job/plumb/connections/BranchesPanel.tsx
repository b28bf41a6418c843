import { branchInstructions, branchNames } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  agedMembrane,
  assess,
  type BranchDraw,
  type SystemDesign,
  tankPressure,
  tapLineOf,
  worstDraw,
} from '@katharos/core';
import { useReader } from '../../../ui/useReader.ts';
import { RowsTable } from '../../../ui/RowsTable.tsx';
import { Remarks } from './Remarks.tsx';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';

/** A share of the tank, and what each branch sees from it. */
interface Seen {
  full: BranchDraw[];
  half: BranchDraw[];
}

function drawn(system: SystemDesign, { task }: JobBrief): Seen | null {
  const { worst } = task.waters;
  const assessed = assess(system, worst, agedMembrane);
  const { tank, branches } = system;
  if (!assessed.ok || !tank) return null;
  const at = (share: number) =>
    worstDraw(
      branches,
      tapLineOf(system),
      tankPressure(tank, assessed.value.usableVolumeL * share),
      worst.temperatureC,
    );
  return { full: at(0.999), half: at(0.5) };
}

/** What each branch gets in the worst case, alone and while everything draws, and when its valve is opened. */
export function BranchesPanel({ system, brief }: { system: SystemDesign; brief: JobBrief }) {
  const reader = useReader();
  const seen = useMemo(() => drawn(system, brief), [system, brief]);
  const bar = (value: number) => reader.say('pressure', Math.max(value, 0));
  return (
    <section className="panel" aria-label="Branches">
      <Title order={3} size="h4" mb="xs">
        Branches
      </Title>
      {!seen && (
        <Text className="mark warn">
          Without a tank no pressure stands by: what opens a valve of its own gets water only while
          the tap is open. A unit with a small tank would feed it.
        </Text>
      )}
      {seen && (
        <RowsTable
          minWidth={640}
          label="Branches"
          columns={[
            'Worst case',
            { head: 'Wants', right: true },
            { head: 'Full tank, alone', right: true },
            { head: 'Half drawn, alone', right: true },
            { head: 'Half drawn, all at once with the tap open', right: true },
          ]}
          tight
        >
          {system.branches.map((branch, i) => {
            const [full, half] = [seen.full[i]!, seen.half[i]!];
            const enough = (value: number) => (value >= branch.neededBar ? undefined : 'mark warn');
            return (
              <tr key={branch.kind}>
                <td>{branchNames[branch.kind]}</td>
                <td className="right">
                  {bar(branch.neededBar)} at {reader.say('flow', branch.flowLPerMin * 60)}
                </td>
                {[full.aloneBar, half.aloneBar, half.worstBar].map((value, k) => (
                  <td key={k} className="right">
                    <span className={enough(value)}>{bar(value)}</span>
                  </td>
                ))}
              </tr>
            );
          })}
        </RowsTable>
      )}
      <Remarks
        lines={system.branches.map(
          ({ kind }) => `${branchNames[kind]}. ${branchInstructions[kind]}`,
        )}
      />
    </section>
  );
}
