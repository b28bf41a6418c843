import { limits } from '@katharos/core';
import { Button, Group } from '@mantine/core';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { EditedList, TakeOut } from './EditedList.tsx';

interface Point {
  flowLPerH: number;
  boostBar: number;
}

const flowRange = { min: 0, max: limits.flowLPerH.max };

interface Props {
  label: string;
  value: unknown;
  fault: string | undefined;
  readOnly: boolean;
  onChange: (points: Point[]) => void;
}

/** Points of a pump's curve, kept in rising order of flow, whatever the order in which they were entered. */
export function CurveEditor({ label, value, fault, readOnly, onChange }: Props) {
  const points = Array.isArray(value) ? (value as Point[]) : [];
  const put = (index: number, part: Partial<Point>) =>
    onChange(
      points
        .map((point, i) => (i === index ? { ...point, ...part } : point))
        .sort((a, b) => a.flowLPerH - b.flowLPerH),
    );
  const add = () => {
    const last = points.at(-1);
    // Onward along the last stretch: near to what the next point of a sheet will be.
    const flowLPerH = last ? last.flowLPerH + 20 : 0;
    onChange([...points, { flowLPerH, boostBar: last ? Math.max(last.boostBar - 0.5, 0) : 5 }]);
  };
  return (
    <EditedList
      label={label}
      fault={fault}
      readOnly={readOnly}
      rows={points.map((point, i) => (
        <Group key={i} gap="xs" wrap="nowrap" align="start">
          <MeasureInput
            aria-label={`Flow of point ${i + 1}`}
            keptAs={`flow-${i}`}
            measure={{ dimension: 'flow', range: flowRange }}
            value={point.flowLPerH}
            wanted="The flow at which the boost was read."
            readOnly={readOnly}
            onCommit={(flowLPerH) => flowLPerH !== undefined && put(i, { flowLPerH })}
          />
          <MeasureInput
            aria-label={`Boost of point ${i + 1}`}
            keptAs={`boost-${i}`}
            measure={{ dimension: 'pressure', range: limits.boostBar }}
            value={point.boostBar}
            wanted="What the pump adds at this flow."
            readOnly={readOnly}
            onCommit={(boostBar) => boostBar !== undefined && put(i, { boostBar })}
          />
          <TakeOut
            label={`Take point ${i + 1} out`}
            onClick={() => onChange(points.filter((_, at) => at !== i))}
          />
        </Group>
      ))}
    >
      <Group>
        <Button variant="default" mih={44} onClick={add}>
          Add a point
        </Button>
      </Group>
    </EditedList>
  );
}
