import { toolNames } from '@katharos/words';
import { toolsOf, type WorkStep } from '@katharos/core';
import { useTicks } from './useTicks.ts';
import { Checkbox, SimpleGrid, Title } from '@mantine/core';

/** The tools that the order of work takes, each ticked off. */
export function ToolList({ steps }: { steps: readonly WorkStep[] }) {
  const { isTicked, tick } = useTicks();
  return (
    <section className="panel" aria-label="Tools">
      <Title order={3} size="h4" mb="xs">
        Tools
      </Title>
      <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }} spacing="xs" verticalSpacing={2}>
        {toolsOf(steps).map((tool) => (
          <Checkbox
            key={tool}
            size="md"
            label={toolNames[tool]}
            checked={isTicked(`tool:${tool}`)}
            onChange={(event) => tick(`tool:${tool}`, event.currentTarget.checked)}
            styles={{ body: { minHeight: 40, alignItems: 'center' } }}
          />
        ))}
      </SimpleGrid>
    </section>
  );
}
