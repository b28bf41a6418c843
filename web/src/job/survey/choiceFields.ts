import type { ChoiceKey } from './surveyGroups.ts';

interface Choice {
  label: string;
  hint?: string;
  options: { value: string; label: string }[];
}

/** The survey's own questions with their answers, the last meaning that nobody asked. */
export const choiceFields: Record<ChoiceKey, Choice> = {
  source: {
    label: 'Source',
    options: [
      { value: 'mains', label: 'Mains' },
      { value: 'well', label: 'Well' },
      { value: 'lake', label: 'Lake' },
      { value: 'rain', label: 'Rain' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  meterScale: {
    label: 'Scale of the meter',
    options: [
      { value: 'nacl', label: 'NaCl 0.5' },
      { value: 'kcl', label: 'KCl 0.55' },
      { value: '442', label: '442 0.7' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  minerals: {
    label: 'Minerals wanted',
    options: [
      { value: 'taste', label: 'For taste' },
      { value: 'pH', label: 'For pH' },
      { value: 'no', label: 'No' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  disinfectant: {
    label: 'Disinfectant',
    options: [
      { value: 'none', label: 'None' },
      { value: 'chlorine', label: 'Chlorine' },
      { value: 'chloramine', label: 'Chloramine' },
      { value: 'unknown', label: 'Not asked' },
    ],
  },
  safe: {
    label: 'Free of germs',
    options: [
      { value: 'yes', label: 'Yes' },
      { value: 'no', label: 'No' },
      { value: 'unknown', label: 'Not known' },
    ],
  },
  outlet: {
    label: 'Outlet',
    options: [
      { value: 'unswitched', label: 'Always on' },
      { value: 'switched', label: 'On a switch' },
      { value: 'none', label: 'None' },
      { value: 'unknown', label: 'Not looked' },
    ],
  },
  tankRoom: {
    label: 'Room for a tank',
    options: [
      { value: 'yes', label: 'Yes' },
      { value: 'no', label: 'No' },
      { value: 'unknown', label: 'Not looked' },
    ],
  },
};
