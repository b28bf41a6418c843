import { type Examination, readingCodes, readingExists, type SystemDesign } from '@katharos/core';
import { Button, SimpleGrid, Stack } from '@mantine/core';
import { useId, useState } from 'react';
import { LookField } from './LookField.tsx';
import { NotedReadings } from './NotedReadings.tsx';
import { ReadingEntry } from './ReadingEntry.tsx';

/** Everything else that this system could be asked, for whoever wants to read more than is proposed. */
export function OtherReadings({
  examination: { system, given },
  design,
}: {
  examination: Examination;
  design: SystemDesign;
}) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const codes = readingCodes.filter(
    (code) =>
      readingExists(code, system) &&
      code !== 'drainStopsWhenFull' &&
      !given.some((one) => one.code === code),
  );
  if (codes.length === 0) return null;
  return (
    <Stack gap="sm">
      <Button
        variant="default"
        mih={44}
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        style={{ alignSelf: 'flex-start' }}
      >
        {open ? 'Fewer readings' : `${codes.length} more readings that can be taken`}
      </Button>
      {open && (
        <section className="panel" id={id} aria-label="More readings">
          <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
            <LookField look="no-product" />
            {codes.map((code) => (
              <ReadingEntry key={code} code={code} />
            ))}
          </SimpleGrid>
          <NotedReadings design={design} />
        </section>
      )}
    </Stack>
  );
}
