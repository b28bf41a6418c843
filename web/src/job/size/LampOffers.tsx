import { type JobBrief, lampFeedOf } from '@katharos/job';
import {
  existingSystems,
  type InstalledSystem,
  lampForLine,
  lampForProduct,
  partsOf,
  type SystemDesign,
} from '@katharos/core';
import { useDocument, useJob } from '../open/useJob.ts';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Button, Group, Text } from '@mantine/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';

interface Props {
  brief: JobBrief;
  current: SystemDesign;
  onChoose: (design: InstalledSystem) => void;
}

/** Lamps without a membrane of their own, wherever there is power for one. */
export function LampOffers({ brief, current, onChoose }: Props) {
  const { catalogue } = useSizing();
  const { survey } = useDocument();
  const lamps = partsOf(catalogue, 'lamp');
  if (lamps.length === 0 || !brief.facts.power) return null;
  const { today } = brief.task.waters;
  const feed = lampFeedOf(survey, today.hardnessMgL);
  const alone = {
    kind: 'ultraviolet-line' as const,
    prefilters: current.prefilters.slice(0, 2),
    tap: current.tap,
    line: current.line,
  };
  // A tap of its own is a plain one.
  const { dispenser: _dispenser, powered: _powered, ...tap } = current.tap;
  return (
    <>
      <Offer
        name="Ultraviolet only"
        text="Sediment, carbon and lamp, without a membrane: for clear, soft water that is unsafe and otherwise good. Nothing dissolved is taken out, and nothing is wasted."
        action="Use the lamp alone"
        onUse={() => {
          const lamp = lampForLine(lamps, alone, today, feed);
          if (lamp) onChoose({ ...alone, lamp });
        }}
      />
      <AddedOffer lamps={lamps} line={current.line} tap={tap} onChoose={onChoose} />
    </>
  );
}

/** Where a system was there before, its own readings say which lamp its product takes. */
function AddedOffer({
  lamps,
  line,
  tap,
  onChoose,
}: {
  lamps: Parameters<typeof lampForProduct>[0];
  line: SystemDesign['line'];
  tap: SystemDesign['tap'];
  onChoose: Props['onChoose'];
}) {
  const { document, jobId } = useJob();
  const { existing } = lampFeedOf(document.survey, 0);
  const addedTo = existingSystems.find((kind) => kind === document.survey.site.existing);
  const lamp = existing && lampForProduct(lamps, existing.flowLPerMin);
  return (
    <Offer
      name="A lamp on the system that is there"
      text="A reactor in the product line of a reverse osmosis system that stays: upright, flow from below, chosen by the flow at its tap."
      action="Add a lamp to it"
      onUse={
        addedTo && lamp
          ? () => onChoose({ kind: 'ultraviolet-line', addedTo, prefilters: [], lamp, tap, line })
          : null
      }
    >
      {!(addedTo && lamp) && (
        <>
          {' '}
          Say what is there, and read flow and TDS at its tap, in{' '}
          <Link to={`/jobs/${jobId}/survey?place=already-there`}>the survey</Link>.
        </>
      )}
    </Offer>
  );
}

function Offer({
  name,
  text,
  action,
  onUse,
  children,
}: {
  name: string;
  text: string;
  action: string;
  /** Null while something for it is missing. */
  onUse: (() => void) | null;
  children?: ReactNode;
}) {
  const { agreed } = useChosenSystem();
  return (
    <Group mt="md" justify="space-between">
      <Text size="sm" maw={620}>
        <strong>{name}.</strong> {text}
        {children}
      </Text>
      <Button
        variant="default"
        disabled={agreed !== null || onUse === null}
        onClick={onUse ?? undefined}
      >
        {action}
      </Button>
    </Group>
  );
}
