import { ViewSwitch } from '../../ui/ViewSwitch.tsx';

/** What can be looked at of a sized system, in the order in which it is usually asked. */
export const sizeViews = [
  { key: 'decisions', label: 'Decisions' },
  { key: 'days', label: 'Days here' },
  { key: 'conditions', label: 'Conditions' },
  { key: 'water', label: 'Water and pressure' },
  { key: 'weigh', label: 'Weigh' },
  { key: 'compare', label: 'Compare' },
  { key: 'compose', label: 'Compose' },
] as const;
export type SizeView = (typeof sizeViews)[number]['key'];

export function SizeViews({ view, onView }: { view: SizeView; onView: (view: SizeView) => void }) {
  return (
    <ViewSwitch
      label="View of the size"
      value={view}
      views={sizeViews.map(({ key, label }) => ({ value: key, label }))}
      onChange={onView}
    />
  );
}
