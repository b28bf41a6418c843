import { missingReadings, type Survey } from '@katharos/job';
import type { SurveyKey } from '@katharos/core';
import { surveyGroups } from './surveyGroups.ts';

/** A place of the survey: where a person stands while this is read. */
export interface Place {
  id: string;
  title: string;
  /** Name in the row of places. */
  short: string;
}

/** The walk, in the order in which a person goes. */
export const places: readonly Place[] = [
  ...surveyGroups.map(({ id, title, short }) => ({ id, title, short })),
  { id: 'photographs', title: 'Photographs and a note', short: 'Photographs' },
];

/** Readings that a sound size needs and that are not known, with the place where each is taken. */
export const missingAt = (survey: Survey): { key: SurveyKey; place: string }[] =>
  missingReadings(survey).map((key) => ({
    key,
    place: surveyGroups.find(({ readings }) => readings.includes(key))!.id,
  }));

/** Where the walk begins: at the first place where something is missing, else at the tap. */
export const firstPlace = (survey: Survey): string => missingAt(survey)[0]?.place ?? places[0]!.id;

/** Address of a place, and of a reading in it. */
export const placeLink = (place: string, reading?: SurveyKey): string =>
  `?place=${place}${reading ? `#${fieldId(reading)}` : ''}`;

/** Id of a reading's field on the page. */
export const fieldId = (key: string): string => `reading-${key}`;
