import type { ServicedSite, SystemDesign } from '@katharos/core';
import { conditionKeys, visitKeys, type VisitSign, visitSigns } from '@katharos/job';
import { visitSignWords } from '@katharos/words';
import { Checkbox, SimpleGrid, Text } from '@mantine/core';
import { MeasureInput } from '../../../ui/typed/MeasureInput.tsx';
import { underAThumb } from '../../../ui/underAThumb.ts';
import { useVisit } from './useVisit.ts';
import { VisitReading } from './VisitReading.tsx';

interface Props {
  id: string;
  design: SystemDesign;
  site: ServicedSite;
}

/** A visit's readings and what is seen, before anything is changed. */
export function AsFound({ id, design, site }: Props) {
  const { visit, change, stamp } = useVisit(id);
  if (!visit) return null;
  const hasSediment = design.prefilters.some(({ media }) => media === 'sediment');
  const asked = {
    staticPressure: site.regulator,
    totalChlorine: design.prefilters.some(({ media }) => media !== 'sediment'),
    // Free chlorine says nothing of chloramine: it is shown where it was entered.
    chlorineAfterCarbon: visit.readings.chlorineAfterCarbon !== undefined,
    productCounter: true,
  };
  const looked: Record<VisitSign, boolean> = {
    'sediment-brown': hasSediment,
    'pad-wet': site.leakStop,
    'pressure-unheld': site.regulator,
  };
  return (
    <div>
      <Text fw={560}>As found</Text>
      <Text size="sm" c="dimmed" mb="xs">
        Before anything is changed: tank closed, tap open for ten minutes. Two or three figures are
        better than none.
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
        {[...visitKeys, ...conditionKeys.filter((key) => asked[key])].map((key) => (
          <VisitReading key={key} id={id} of="readings" name={key} />
        ))}
        {design.lamp && (
          <MeasureInput
            label="Hours on the lamp’s counter"
            keptAs={`visit-lamp-${id}`}
            measure={{ dimension: 'count', range: { min: 0, max: 200_000 }, symbol: 'h' }}
            value={visit.lampHours}
            onCommit={(hours) =>
              change(({ lampHours: _old, ...rest }) => ({
                ...rest,
                lampHours: hours,
              }))
            }
          />
        )}
      </SimpleGrid>
      <SimpleGrid
        cols={{ base: 1, xs: 2, md: 3 }}
        mt="sm"
        role="group"
        aria-label="Seen at this visit"
      >
        {visitSigns
          .filter((sign) => looked[sign])
          .map((sign) => (
            <Checkbox
              key={sign}
              size="md"
              styles={underAThumb}
              label={visitSignWords[sign]}
              checked={Boolean(visit.seen?.[sign])}
              onChange={({ currentTarget: { checked } }) =>
                change(({ seen = {} }) => {
                  const { [sign]: _old, ...rest } = seen;
                  return { seen: checked ? { ...rest, [sign]: stamp() } : rest };
                })
              }
            />
          ))}
      </SimpleGrid>
    </div>
  );
}
