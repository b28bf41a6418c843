import { useSession } from '../data/session.ts';
import { PageTitle } from '../ui/PageTitle.tsx';
import { firmSettingsSchema, type FirmSettings, usualPrices } from '@katharos/job';
import { type Household, usualHousehold, usualRequirements } from '@katharos/core';
import { troubleOf, useSaveSettingsMutation } from '../data/api.ts';
import { showUndo } from '../ui/undoNotice.tsx';
import { HabitInput, habits } from '../job/household/HabitInput.tsx';
import { useReader } from '../ui/useReader.ts';
import { standardFields } from './standardFields.ts';
import {
  Button,
  Group,
  NativeSelect,
  NumberInput,
  SimpleGrid,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { notify } from '../ui/notices.tsx';
import { useState } from 'react';

/** How this firm works: its units, papers and prices, what it holds systems to, and the household a survey begins with. */
export function FirmPage() {
  const session = useSession();
  if (!session) return null;
  return <FirmForm key={JSON.stringify(session.firm.settings)} settings={session.firm.settings} />;
}

type Standards = NonNullable<FirmSettings['standards']>;

function FirmForm({ settings }: { settings: FirmSettings }) {
  const [draft, setDraft] = useState(settings);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [save, { isLoading }] = useSaveSettingsMutation();
  const reader = useReader();
  const { units: system } = reader;
  const set = (change: Partial<FirmSettings>) => {
    setDraft({ ...draft, ...change });
    setFaults({});
  };
  const setStandard = (key: keyof Standards, value: number | undefined) => {
    const { [key]: _old, ...rest } = draft.standards ?? {};
    set({ standards: value === undefined ? rest : { ...rest, [key]: value } });
  };
  const household = draft.household ?? usualHousehold;
  const setHousehold = (change: Partial<Household>) =>
    set({ household: { ...household, ...change } });
  const changed = JSON.stringify(draft) !== JSON.stringify(settings);
  const submit = async () => {
    const checked = firmSettingsSchema.safeParse(draft);
    if (!checked.success) {
      setFaults(
        Object.fromEntries(
          checked.error.issues.map((issue) => [issue.path.join('.'), issue.message]),
        ),
      );
      return;
    }
    const before = settings;
    const answer = await save(checked.data);
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    showUndo({
      id: 'firm-saved',
      message: 'Saved. Open jobs reckon with it from now on.',
      label: 'Take it back',
      undo: () => void save(before),
    });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <Stack gap="md">
        <PageTitle>How the firm works</PageTitle>
        <Group justify="space-between">
          <Title order={1} size="h2">
            How the firm works
          </Title>
          <Button type="submit" size="md" loading={isLoading} disabled={!changed}>
            Save
          </Button>
        </Group>
        <section className="panel" aria-label="Units, papers and prices">
          <Title order={2} size="h4" mb="sm">
            Units, papers and prices
          </Title>
          <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }}>
            <NativeSelect
              label="Units"
              description="What figures are shown and typed in."
              size="md"
              data={[
                { value: 'metric', label: 'bar, L, °C' },
                { value: 'us', label: 'psi, gal, °F' },
              ]}
              value={draft.units}
              onChange={(event) =>
                set({ units: event.currentTarget.value as FirmSettings['units'] })
              }
            />
            <NativeSelect
              label="Paper"
              description="Of proposals, sheets and certificates."
              size="md"
              data={[
                { value: 'A4', label: 'A4' },
                { value: 'LETTER', label: 'Letter' },
              ]}
              value={draft.paper}
              onChange={(event) =>
                set({ paper: event.currentTarget.value as FirmSettings['paper'] })
              }
            />
            <TextInput
              label="Currency"
              description="Three letters, such as EUR."
              size="md"
              maxLength={3}
              value={draft.currency}
              error={faults.currency}
              onChange={(event) => set({ currency: event.currentTarget.value.toUpperCase() })}
            />
            <NumberInput
              label="Price of an installation"
              description="Work, flushing, verification."
              size="md"
              min={0}
              max={100000}
              value={draft.installationPrice ?? usualPrices.installationPrice}
              error={faults.installationPrice}
              onChange={(value) => set({ installationPrice: Number(value) })}
            />
            <NumberInput
              label="Tax on proposals"
              description="Added to the sum."
              size="md"
              min={0}
              max={100}
              suffix=" %"
              value={Number(((draft.taxShare ?? usualPrices.taxShare) * 100).toFixed(3))}
              error={faults.taxShare}
              onChange={(value) => set({ taxShare: Number(value) / 100 })}
            />
          </SimpleGrid>
        </section>
        <section className="panel" aria-label="What systems are held to">
          <Title order={2} size="h4">
            What systems are held to
          </Title>
          <Text size="sm" c="dimmed" mb="sm">
            Empty fields stand at what is usual. Every size of every job that is not agreed is
            judged by them.
          </Text>
          <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }} verticalSpacing="md">
            {standardFields.map(({ key, label, hint, factor, suffix, decimals }) => {
              const value = draft.standards?.[key];
              return (
                <NumberInput
                  key={key}
                  label={label}
                  description={hint}
                  size="md"
                  min={0}
                  decimalScale={decimals}
                  suffix={suffix}
                  placeholder={`${Number((usualRequirements[key] * factor).toFixed(3))}${suffix}`}
                  value={value === undefined ? '' : Number((value * factor).toFixed(4))}
                  error={faults[`standards.${key}`]}
                  onChange={(next) =>
                    setStandard(key, next === '' ? undefined : Number(next) / factor)
                  }
                />
              );
            })}
          </SimpleGrid>
        </section>
        <section className="panel" aria-label="The household a survey begins with">
          <Group justify="space-between">
            <Title order={2} size="h4">
              The household a survey begins with
            </Title>
            {draft.household && (
              <Button
                variant="subtle"
                onClick={() => {
                  const { household: _old, ...rest } = draft;
                  setDraft(rest);
                }}
              >
                As usual
              </Button>
            )}
          </Group>
          <Text size="sm" c="dimmed" mb="sm">
            Offered as the first choice in every survey.
          </Text>
          <SimpleGrid cols={{ base: 2, sm: 3, md: 4 }} verticalSpacing="md">
            {habits.map((habit) => (
              <HabitInput
                key={habit.key}
                habit={habit}
                value={household[habit.key]}
                litresPerUnit={habit.litres && system === 'us' ? 3.785411784 : 1}
                onChange={(value) => setHousehold({ [habit.key]: value })}
              />
            ))}
          </SimpleGrid>
        </section>
      </Stack>
    </form>
  );
}
