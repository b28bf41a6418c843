import type { QuantityField } from '@katharos/job';
import { type Draw, litresOf, toCore } from '@katharos/core';
import { drawKindNames } from './drawKinds.ts';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';
import { useReader } from '../../ui/useReader.ts';
import { clockOf, minuteOf } from './clock.ts';
import { useDrag } from './useDrag.ts';
import { Button, Group, NativeSelect, SimpleGrid, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import styles from './DayTimeline.module.css';

interface Props {
  day: readonly Draw[];
  onChange: (day: Draw[]) => void;
  onDrop: () => void;
}

const litresField: QuantityField = {
  name: 'drawnLitres',
  dimension: 'volume',
  range: { min: 0.05, max: 60 },
};

const hours = [0, 3, 6, 9, 12, 15, 18, 21, 24];

/** A day of draws on a line of hours: dragged, nudged by the arrow keys, or typed. */
export function DayTimeline({ day, onChange, onDrop }: Props) {
  const reader = useReader();
  const [picked, setPicked] = useState<number | null>(null);
  const draw = picked === null ? undefined : day[picked];
  const change = (index: number, next: Partial<Draw>) =>
    onChange(day.map((held, i) => (i === index ? { ...held, ...next } : held)));
  const add = () => {
    const minute = draw ? Math.min(draw.minute + 30, 1435) : 720;
    onChange([...day, { minute, litres: 0.25, kind: 'glass' }]);
    setPicked(day.length);
  };
  const remove = (index: number) => {
    onChange(day.filter((_, i) => i !== index));
    setPicked(null);
  };
  return (
    <div>
      <Text size="sm" mb="xs">
        {day.length} draws, {reader.say('volume', litresOf(day))}. Drag a draw, or pick it and type.
        The sampled days wander around this one; guests bring as much again.
      </Text>
      <div
        className={styles.scroll}
        tabIndex={0}
        role="group"
        aria-label="Draws through the day, scrolls sideways"
      >
        <div className={styles.track}>
          {hours.map((hour) => (
            <span key={hour} className={styles.hour} style={{ left: `${(hour / 24) * 100}%` }}>
              {hour}
            </span>
          ))}
          {day.map((held, i) => (
            <DrawBar
              key={i}
              draw={held}
              picked={i === picked}
              onPick={() => setPicked(i)}
              onMove={(minute) => change(i, { minute })}
              onRemove={() => remove(i)}
            />
          ))}
        </div>
      </div>
      {draw && picked !== null && (
        <SimpleGrid cols={{ base: 2, sm: 4 }} mt="sm" verticalSpacing="xs">
          <TextInput
            type="time"
            label="At"
            size="md"
            value={clockOf(draw.minute)}
            onChange={(event) => {
              const minute = minuteOf(event.currentTarget.value);
              if (minute !== undefined) change(picked, { minute });
            }}
          />
          <QuantityInput
            key={picked}
            field={litresField}
            description={undefined}
            quantity={{ value: draw.litres, unit: 'L' }}
            onCommit={(quantity) => {
              if (quantity) change(picked, { litres: toCore('volume', quantity) });
            }}
          />
          <NativeSelect
            label="For"
            size="md"
            data={Object.entries(drawKindNames).map(([value, label]) => ({ value, label }))}
            value={draw.kind}
            onChange={(event) =>
              change(picked, { kind: event.currentTarget.value as Draw['kind'] })
            }
          />
          <Button variant="default" size="md" mt={26} onClick={() => remove(picked)}>
            Take it out
          </Button>
        </SimpleGrid>
      )}
      <Group mt="sm">
        <Button variant="default" size="md" onClick={add}>
          Add a draw
        </Button>
        <Button variant="subtle" size="md" onClick={onDrop}>
          Back to the habits
        </Button>
      </Group>
    </div>
  );
}

interface DrawBarProps {
  draw: Draw;
  picked: boolean;
  onPick: () => void;
  onMove: (minute: number) => void;
  onRemove: () => void;
}

function DrawBar({ draw, picked, onPick, onMove, onRemove }: DrawBarProps) {
  const reader = useReader();
  const { moving, handlers } = useDrag(draw.minute, onMove);
  const minute = moving ?? draw.minute;
  const nudge = (by: number) => onMove(Math.min(Math.max(draw.minute + by, 0), 1435));
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={drawKindNames[draw.kind]}
      aria-valuemin={0}
      aria-valuemax={1440}
      aria-valuenow={minute}
      aria-valuetext={`${clockOf(minute)}, ${reader.say('volume', draw.litres, 2)}`}
      className={styles.draw}
      data-picked={picked}
      style={{
        left: `${(minute / 1440) * 100}%`,
        height: `${18 + 26 * Math.sqrt(Math.min(draw.litres, 6))}px`,
      }}
      onClick={onPick}
      onFocus={onPick}
      onKeyDown={(event) => {
        const steps: Record<string, number> = {
          ArrowLeft: -5,
          ArrowRight: 5,
          ArrowDown: -5,
          ArrowUp: 5,
          PageDown: -60,
          PageUp: 60,
        };
        const step = steps[event.key];
        if (step !== undefined) {
          event.preventDefault();
          nudge(step);
        }
        if (event.key === 'Delete') onRemove();
      }}
      {...handlers}
    />
  );
}
