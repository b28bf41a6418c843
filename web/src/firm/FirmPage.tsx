import { checkInput, writeEntry } from '@katharos/words';
import { useSession } from '../data/session.ts';
import { PageTitle } from '../ui/PageTitle.tsx';
import { firmSettingsSchema, type FirmSettings, usualPrices } from '@katharos/job';
import { type Household, usualHousehold, usualRequirements } from '@katharos/core';
import { forgetLocal, readLocal, writeLocal } from '../data/localStore.ts';
import { troubleOf, useSaveSettingsMutation } from '../data/api.ts';
import { showUndo } from '../ui/undoNotice.tsx';
import { HabitInput, habits } from '../job/household/HabitInput.tsx';
import { useReader } from '../ui/useReader.ts';
import { useMay } from '../data/useMay.ts';
import { ArchivePanel } from './ArchivePanel.tsx';
import { CertificatesPanel } from './CertificatesPanel.tsx';
import { KeepingPanel } from './KeepingPanel.tsx';
import { OddsPanel } from './OddsPanel.tsx';
import { standardFields } from './standardFields.ts';
import {
  Button,
  Group,
  NativeSelect,
  SimpleGrid,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { TypedScope } from '../ui/typed/halfTyped.ts';
import { notify } from '../ui/notices.tsx';
import { useState } from 'react';

/** How this firm works: its units, papers and prices, what it holds systems to, and the household a survey begins with. */
export function FirmPage() {
  const mayPeople = useMay('people');
  const session = useSession();
  if (!session) return null;
  return (
    <Stack gap="md">
      <TypedScope value="firm">
        <FirmForm key={JSON.stringify(session.firm.settings)} settings={session.firm.settings} />
      </TypedScope>
      <CertificatesPanel />
      {mayPeople && <ArchivePanel />}
    </Stack>
  );
}

/** Where settings that were changed and not saved are kept, so that a reload does not lose them. */
const draftKey = 'typed:firm:settings';

function keptSettings(): FirmSettings | undefined {
  const kept = firmSettingsSchema.safeParse(readLocal(draftKey));
  return kept.success ? kept.data : undefined;
}

type Standards = NonNullable<FirmSettings['standards']>;
type Flushing = NonNullable<FirmSettings['flushing']>;

function FirmForm({ settings }: { settings: FirmSettings }) {
  const [draft, setDraft] = useState(() => keptSettings() ?? settings);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [save, { isLoading }] = useSaveSettingsMutation();
  const reader = useReader();
  const keep = (next: FirmSettings) => {
    setDraft(next);
    writeLocal(draftKey, next);
  };
  const set = (change: Partial<FirmSettings>) => {
    keep({ ...draft, ...change });
    setFaults({});
  };
  const setStandard = (key: keyof Standards, value: number | undefined) => {
    const { [key]: _old, ...rest } = draft.standards ?? {};
    set({ standards: value === undefined ? rest : { ...rest, [key]: value } });
  };
  const setFlushing = (change: { [K in keyof Flushing]?: Flushing[K] | undefined }) => {
    // What is not said is left out: it stands at the usual.
    const all = Object.entries({ ...draft.flushing, ...change });
    set({ flushing: Object.fromEntries(all.filter(([, value]) => value !== undefined)) });
  };
  const household = draft.household ?? usualHousehold;
  const setHousehold = (change: Partial<Household>) =>
    set({ household: { ...household, ...change } });
  const changed = JSON.stringify(draft) !== JSON.stringify(settings);
  const submit = async () => {
    if (!changed) {
      notify({ message: 'Nothing was changed.' });
      return;
    }
    const checked = checkInput(firmSettingsSchema, draft);
    if (!checked.ok) {
      setFaults(Object.fromEntries(checked.faults.map(({ path, sentence }) => [path, sentence])));
      return;
    }
    const before = settings;
    const answer = await save(checked.value);
    if (!answer.error) forgetLocal(draftKey);
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
        // What could not be understood is not passed over.
        const faulty = event.currentTarget.querySelector<HTMLElement>('[aria-invalid="true"]');
        if (faulty) faulty.focus();
        else void submit();
      }}
    >
      <Stack gap="md">
        <PageTitle>How the firm works</PageTitle>
        <Group justify="space-between">
          <Title order={1} size="h2">
            How the firm works
          </Title>
          <Button type="submit" size="md" loading={isLoading}>
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
            <MeasureInput
              label="Price of an installation"
              description="Work, flushing, verification."
              keptAs="installation-price"
              measure={{
                dimension: 'count',
                range: { min: 0, max: 100000 },
                symbol: draft.currency,
              }}
              value={draft.installationPrice ?? usualPrices.installationPrice}
              fault={faults.installationPrice}
              wanted="Enter a price; 0 for none."
              onCommit={(value) => set({ installationPrice: value })}
            />
            <MeasureInput
              label="Tax on proposals"
              description="Added to the sum."
              keptAs="tax"
              measure={{ dimension: 'share', range: { min: 0, max: 1 } }}
              value={draft.taxShare ?? usualPrices.taxShare}
              fault={faults.taxShare}
              wanted="Enter a share; 0 for none."
              onCommit={(value) => set({ taxShare: value })}
            />
          </SimpleGrid>
        </section>
        <section className="panel" aria-label="How the firm flushes">
          <Title order={2} size="h4" mb="sm">
            How the firm flushes
          </Title>
          <SimpleGrid cols={{ base: 1, sm: 2, md: 4 }}>
            <NativeSelect
              label="Pre-filters"
              description="Into the bucket, before the membrane is in."
              size="md"
              data={[
                { value: 'together', label: 'All together' },
                { value: 'one-by-one', label: 'Cartridge by cartridge' },
              ]}
              value={draft.flushing?.prefilters ?? 'together'}
              onChange={({ currentTarget: { value } }) =>
                setFlushing({ prefilters: value === 'one-by-one' ? value : 'together' })
              }
            />
            <NativeSelect
              label="Tanks thrown away"
              description="At least; never fewer than needed."
              size="md"
              data={[
                { value: '', label: 'As is usual' },
                { value: '1', label: 'One' },
                { value: '2', label: 'Two' },
                { value: '3', label: 'Three' },
              ]}
              value={String(draft.flushing?.tanks ?? '')}
              onChange={({ currentTarget: { value } }) =>
                setFlushing({ tanks: value === '' ? undefined : Number(value) })
              }
            />
            <NativeSelect
              label="The last of them"
              description="What is left comes out overnight."
              size="md"
              data={[
                { value: 'no', label: 'Is drained at once' },
                { value: 'yes', label: 'Stands overnight' },
              ]}
              value={draft.flushing?.nightsRest ? 'yes' : 'no'}
              onChange={({ currentTarget: { value } }) =>
                setFlushing({ nightsRest: value === 'yes' })
              }
            />
            <TextInput
              label="Telephone"
              description="Whom a household calls, on its card."
              size="md"
              type="tel"
              value={draft.phone ?? ''}
              error={faults.phone}
              onChange={(event) => set({ phone: event.currentTarget.value })}
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
            {standardFields.map(({ key, label, hint, measure }) => (
              <MeasureInput
                key={key}
                label={label}
                description={hint}
                keptAs={key}
                measure={measure(draft.currency)}
                placeholder={writeEntry(measure(draft.currency), usualRequirements[key], reader)}
                value={draft.standards?.[key]}
                fault={faults[`standards.${key}`]}
                onCommit={(next) => setStandard(key, next)}
              />
            ))}
          </SimpleGrid>
        </section>
        <KeepingPanel
          keeping={draft.keeping ?? {}}
          currency={draft.currency}
          onChange={(keeping) => set({ keeping })}
        />
        <OddsPanel odds={draft.odds ?? {}} onChange={(odds) => set({ odds })} />
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
                  keep(rest);
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
                onChange={(value) => setHousehold({ [habit.key]: value })}
              />
            ))}
          </SimpleGrid>
        </section>
      </Stack>
    </form>
  );
}
