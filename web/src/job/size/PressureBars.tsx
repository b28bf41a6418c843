import { failureSentence } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  type Outcome,
  pressureBudget,
  type PressureBudget,
  type SystemDesign,
  tankPressure,
} from '@katharos/core';
import { useReader } from '../../ui/useReader.ts';
import { Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import styles from './PressureBars.module.css';

type Spent = 'prefiltersBar' | 'osmoticBar' | 'productSideBar' | 'leftBar';

const parts: { key: Spent; label: string; tankless?: string }[] = [
  { key: 'prefiltersBar', label: 'pre-filters' },
  { key: 'osmoticBar', label: 'osmotic pressure' },
  { key: 'productSideBar', label: 'tank', tankless: 'way to the tap' },
  { key: 'leftBar', label: 'left to make water' },
];

interface Bar {
  name: string;
  budget: Outcome<PressureBudget>;
}

interface Props {
  design: SystemDesign;
  brief: JobBrief;
  today: Assessment;
}

/** Where the pressure goes while the tank fills. */
export function PressureBars({ design, brief, today }: Props) {
  const reader = useReader();
  const water = brief.task.waters.today;
  const bars = useMemo<Bar[]>(() => {
    const { tank } = design;
    if (!tank) return [{ name: 'Tap open', budget: pressureBudget(design, water, 0) }];
    const at = (name: string, share: number): Bar => ({
      name,
      budget: pressureBudget(design, water, tankPressure(tank, today.usableVolumeL * share)),
    });
    return [at('Tank empty', 0), at('Half full', 0.5), at('Nearly full', 0.98)];
  }, [design, water, today.usableVolumeL]);
  const most = Math.max(
    ...bars.map(({ budget }) => (budget.ok ? budget.value.supplyBar + budget.value.pumpBar : 0)),
  );
  return (
    <section className="panel" aria-label="Where the pressure goes">
      <Title order={3} size="h4">
        Where the pressure goes
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        From {reader.say('pressure', water.pressureBar)} at the street
        {design.pump ? ' and what the pump adds' : ''} to what is left to make water.
      </Text>
      <ul className={styles.bars}>
        {bars.map((bar) => (
          <li key={bar.name}>
            <span className={styles.name}>
              {bar.name}
              {bar.budget.ok && (
                <span className="quiet"> {reader.say('flow', bar.budget.value.productLPerH)}</span>
              )}
            </span>
            {bar.budget.ok ? (
              <BudgetBar budget={bar.budget.value} most={most} tankless={!design.tank} />
            ) : (
              <span>{failureSentence(bar.budget.failure)}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function BudgetBar({
  budget,
  most,
  tankless,
}: {
  budget: PressureBudget;
  most: number;
  tankless: boolean;
}) {
  const reader = useReader();
  const whole = budget.supplyBar + budget.pumpBar;
  return (
    <>
      <span className={styles.bar} style={{ width: `${(whole / most) * 100}%` }} aria-hidden>
        {parts.map(({ key }) => (
          <span key={key} data-part={key} style={{ flexGrow: Math.max(budget[key], 0) }} />
        ))}
      </span>
      <span className={styles.key}>
        {parts.map(({ key, label, tankless: other }) => (
          <span key={key}>
            <span className={styles.swatch} data-part={key} aria-hidden />
            {tankless && other ? other : label}{' '}
            <strong>{reader.say('pressure', budget[key])}</strong>
          </span>
        ))}
      </span>
    </>
  );
}
