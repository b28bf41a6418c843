import type { Part, StockPlace } from '@katharos/core';
import { Button, Checkbox, Group, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { troubleOf } from '../data/api.ts';
import { vanLane } from '../data/line/deeds.ts';
import { keep } from '../data/line/keep.ts';
import { notify } from '../ui/notices.tsx';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { useReader } from '../ui/useReader.ts';
import { WideTable } from '../ui/WideTable.tsx';
import { MoveDialog } from './MoveDialog.tsx';
import { measureOf, unitOf, wantedOf } from './partUnits.ts';
import { useSetMinimumMutation } from './stockApi.ts';
import { useWaitingStock } from './useWaitingStock.ts';
import type { HoldingsAt } from './StockFrame.tsx';
import styles from './StockTable.module.css';

/** Parts that are shown before somebody asks for all: each is two boxes that watch what is typed. */
const firstShown = 40;

/** Every part with what is there of it and what should be, counted by hand. */
export function StockTable({ place, stock, parts }: HoldingsAt) {
  const [search, setSearch] = useState('');
  const [onlyKept, setOnlyKept] = useState(false);
  const [isWhole, setWhole] = useState(false);
  const [moved, setMoved] = useState<Part | null>(null);
  const waiting = useWaitingStock(place.id, stock.mine);
  const lines = new Map(
    stock.lines
      .filter(({ placeId }) => placeId === place.id)
      .map((line) => [line.partId, line] as const),
  );
  const heldOf = (id: string) => waiting.get(id) ?? lines.get(id)?.quantity ?? 0;
  const minimumOf = (id: string) => lines.get(id)?.minimum ?? 0;
  const wanted = search.trim().toLowerCase();
  const shown = parts.filter(
    ({ id, name }) =>
      name.toLowerCase().includes(wanted) && (!onlyKept || heldOf(id) > 0 || minimumOf(id) > 0),
  );
  return (
    <section className="panel" aria-label={`Parts in ${place.name}`}>
      <Group align="end">
        <TextInput
          label="Find a part"
          size="md"
          w={360}
          maw="100%"
          value={search}
          onChange={(event) => setSearch(event.currentTarget.value)}
        />
        <Checkbox
          size="md"
          mih={44}
          className={styles.only}
          label="Only what is kept here"
          checked={onlyKept}
          onChange={(event) => setOnlyKept(event.currentTarget.checked)}
        />
      </Group>
      {shown.length === 0 ? (
        <Text mt="md">
          {onlyKept && !wanted
            ? 'Nothing is kept here yet. Count what there is.'
            : 'No part has this in its name.'}
        </Text>
      ) : (
        <WideTable
          minWidth={420}
          label="Parts"
          className={styles.parts}
          tight
          style={{ marginTop: 'var(--mantine-spacing-sm)' }}
        >
          <thead>
            <tr>
              <th>Part</th>
              <th className="right" style={{ width: 130 }}>
                Held
              </th>
              <th className="right" style={{ width: 130 }}>
                Minimum
              </th>
              <th className="right" style={{ width: 90 }}>
                Elsewhere
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, isWhole ? undefined : firstShown).map((part) => (
              <StockRow
                key={part.id}
                place={place}
                part={part}
                quantity={heldOf(part.id)}
                minimum={minimumOf(part.id)}
                waits={waiting.has(part.id)}
                onMove={() => setMoved(part)}
              />
            ))}
          </tbody>
        </WideTable>
      )}
      {!isWhole && shown.length > firstShown && (
        <Button variant="default" size="md" mt="sm" onClick={() => setWhole(true)}>
          Show all {shown.length} parts
        </Button>
      )}
      {moved && (
        <MoveDialog
          part={moved}
          from={place}
          places={stock.places}
          held={heldOf(moved.id)}
          onClose={() => setMoved(null)}
        />
      )}
    </section>
  );
}

interface RowProps {
  place: StockPlace;
  part: Part;
  quantity: number;
  minimum: number;
  /** The count is not sent yet. */
  waits: boolean;
  onMove: () => void;
}

/** One part's count, saved when the field is left; what was typed stays where the server cannot be reached. */
function StockRow({ place, part, quantity, minimum, waits, onMove }: RowProps) {
  const reader = useReader();
  const [setMinimum] = useSetMinimumMutation();
  /** What was there before the last change here. */
  const [before, setBefore] = useState<number | null>(null);
  const set = (next: number) =>
    keep(vanLane, { kind: 'stock', partId: part.id, quantity: next, placeId: place.id });
  const save = async (next: number) => {
    await set(next);
    setBefore(quantity);
  };
  const want = async (next: number) => {
    const answer = await setMinimum({ placeId: place.id, partId: part.id, minimum: next });
    if (answer.error) notify({ message: troubleOf(answer.error).message, color: 'red' });
  };
  return (
    <tr>
      <td>
        {part.name}
        {before !== null && (
          <Text component="span" size="sm" c="dimmed" ml="md" role="status">
            {waits ? 'Kept here, to be sent' : 'Saved'}; {reader.pieces(before, unitOf(part))}{' '}
            before.{' '}
            <Button
              variant="subtle"
              size="compact-sm"
              aria-label={`Back to ${before}: ${part.name}`}
              onClick={() => {
                void set(before);
                setBefore(null);
              }}
            >
              Take it back
            </Button>
          </Text>
        )}
      </td>
      <td>
        <MeasureInput
          aria-label={`Held: ${part.name}`}
          keptAs={part.id}
          measure={measureOf(part)}
          value={quantity}
          wanted={wantedOf(part)}
          onCommit={(next) => {
            if (next !== undefined) void save(next);
          }}
        />
      </td>
      <td>
        <MeasureInput
          aria-label={`Minimum: ${part.name}`}
          keptAs={`minimum:${part.id}`}
          measure={measureOf(part)}
          value={minimum}
          wanted={wantedOf(part)}
          onCommit={(next) => void want(next ?? 0)}
        />
      </td>
      <td className="right">
        <Button
          variant="subtle"
          size="sm"
          mih={44}
          disabled={quantity <= 0}
          aria-label={`Move: ${part.name}`}
          onClick={onMove}
        >
          Move
        </Button>
      </td>
    </tr>
  );
}
