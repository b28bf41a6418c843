import { type InstrumentKind, instrumentKinds, type SystemDesign } from '@katharos/core';
import { instrumentWords, saysAccuracy } from '@katharos/words';
import { NativeSelect, SimpleGrid, Text } from '@mantine/core';
import { Link } from 'react-router';
import { useReader } from '../../ui/useReader.ts';
import { useJob } from '../open/useJob.ts';
import { usedToday, useReadWith } from './useReadWith.ts';

/** What it is read with: how much a reading tells hangs on that, and the certificate names it. */
export function ReadWith({ design }: { design: SystemDesign }) {
  const reader = useReader();
  const { document, edit } = useJob();
  const { ofKind } = useReadWith();
  const used = document.verify.instruments ?? {};
  const kinds = instrumentKinds.filter(
    (kind) =>
      (kind !== 'tank-gauge' || design.tank) &&
      (ofKind(kind).length > 0 || used[kind] !== undefined),
  );
  const choose = (kind: InstrumentKind, id: string) =>
    edit(({ verify }) => {
      const { [kind]: _old, ...rest } = verify.instruments ?? {};
      const chosen = ofKind(kind).find((one) => one.id === id);
      const instruments = chosen ? { ...rest, [kind]: usedToday(chosen) } : rest;
      return { verify: { ...verify, instruments } };
    });
  const names = kinds.flatMap((kind) => used[kind]?.name ?? []);
  const overdue = kinds.filter((kind) => used[kind]?.overdue);
  return (
    <>
      <details style={{ marginTop: 16 }}>
        <summary style={{ minHeight: 44, alignContent: 'center' }}>
          Read with: {names.length > 0 ? reader.list(names) : 'usual instruments'}
        </summary>
        {kinds.length === 0 ? (
          <Text size="sm" c="dimmed">
            Nobody noted what the firm reads with: readings count as those of usual instruments.{' '}
            <Link to="/instruments">Note the instruments</Link>
          </Text>
        ) : (
          <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }}>
            {kinds.map((kind) => {
              const chosen = used[kind];
              const options = ofKind(kind).map(({ id, name }) => ({ value: id, label: name }));
              const gone = chosen && !options.some(({ value }) => value === chosen.id);
              return (
                <NativeSelect
                  key={kind}
                  label={instrumentWords[kind].name}
                  description={chosen ? saysAccuracy(kind, chosen.accuracy, reader) : undefined}
                  size="md"
                  value={chosen?.id ?? ''}
                  data={[
                    { value: '', label: 'Not said: a usual one' },
                    ...(gone ? [{ value: chosen.id, label: chosen.name }] : []),
                    ...options,
                  ]}
                  onChange={({ currentTarget: { value } }) => choose(kind, value)}
                />
              );
            })}
          </SimpleGrid>
        )}
      </details>
      {overdue.length > 0 && (
        <Text size="sm" mt={4}>
          Past its calibration: {reader.list(overdue.map((kind) => used[kind]!.name))}. Its readings
          count for less. <Link to="/instruments">Calibrate</Link>
        </Text>
      )}
    </>
  );
}
