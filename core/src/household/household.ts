import { glassL } from '../base/practice.ts';
/** Who lives there and what they take from the tap. */
export interface Household {
  people: number;
  /** Drinking water a person takes in a day, L. */
  drinkingL: number;
  /** Cups of hot drinks a person takes in a day. */
  hotDrinks: number;
  /** Cooked meals a day. */
  meals: number;
  /** The largest pot or jug filled in one go, L. */
  potL: number;
  /** Cats and dogs. */
  pets: number;
  /** Watering by the jug, L in a day. */
  plantsL: number;
  /** Chance of guests on a day, 0 to 1; guests double the household. */
  guestChance: number;
  /** An ordinary day, where somebody drew it up; it then stands for the habits above. */
  day?: Draw[] | undefined;
}

/** Two people who drink, cook and brew as most do. Defaults; about three litres a person with cooking. */
export const usualHousehold: Household = {
  people: 2,
  drinkingL: 1.6,
  hotDrinks: 3,
  meals: 2,
  potL: 2,
  pets: 0,
  plantsL: 0,
  guestChance: 0.06,
};

/** One opening of the tap. */
export interface Draw {
  /** Minute of the day, 0 to 1440. */
  minute: number;
  litres: number;
  kind: 'glass' | 'hot-drink' | 'pot' | 'pet' | 'plants';
}

/** Numbers from 0 to 1; whoever calls decides whether they are random. */
export type Random = () => number;

export interface DayKind {
  weekend: boolean;
  guests: boolean;
}

const cupL = 0.2;
const petL = 0.4;

/** When people are about, as windows of the day in hours with the share of sips that falls in each. */
const workday: readonly [from: number, to: number, share: number][] = [
  [6.2, 8, 0.3],
  [12, 13.5, 0.1],
  [16.5, 19, 0.3],
  [19, 22.8, 0.3],
];
const weekend: readonly [from: number, to: number, share: number][] = [
  [7.5, 10.5, 0.28],
  [10.5, 14, 0.27],
  [14, 18.5, 0.2],
  [18.5, 23.2, 0.25],
];

/** Water the household takes in a day on average, guests included, L. */
export function meanDemand(household: Household): number {
  if (household.day) return litresOf(household.day) * (1 + household.guestChance);
  const plain = { weekend: false, guests: false };
  const usual = dailyNeed(household, plain).total;
  const guests = dailyNeed(household, { ...plain, guests: true }).total;
  return usual + household.guestChance * (guests - usual);
}

/**
 * A usual household that takes a given amount in a day, for when only that is known: as many people as three litres each make,
 * their drinking scaled to it. Within a glass a day of `demandL`.
 */
export function householdOfDemand(demandL: number, potL: number): Household {
  const people = Math.min(Math.max(Math.round(demandL / 3), 1), 40);
  const pot = Math.min(potL, demandL / 2);
  const rest = Math.max(demandL / (1 + usualHousehold.guestChance) - usualHousehold.meals * pot, 0);
  const cups = Math.min(people * usualHousehold.hotDrinks * cupL, rest / 2);
  return {
    ...usualHousehold,
    people,
    potL: pot,
    hotDrinks: cups / cupL / people,
    drinkingL: (rest - cups) / people,
  };
}

function dailyNeed(household: Household, { guests }: DayKind) {
  const people = household.people * (guests ? 2 : 1);
  const glasses = Math.round((people * household.drinkingL) / glassL);
  const hotDrinks = Math.round(people * household.hotDrinks);
  const pots = household.meals;
  const total =
    glasses * glassL +
    hotDrinks * cupL +
    pots * household.potL +
    household.pets * petL +
    household.plantsL;
  return { glasses, hotDrinks, pots, total };
}

/**
 * A day of draws. Glasses and cups fall into the hours when people are about; cups are brewed two at a time; pots come before meals,
 * pets and plants in the morning. Same numbers from `random`, same day.
 */
export function drawsOfDay(household: Household, kind: DayKind, random: Random): Draw[] {
  if (household.day) return drawsAround(household.day, kind, random);
  const windows = kind.weekend ? weekend : workday;
  const sometime = (): number => {
    let pick = random();
    for (const [from, to, share] of windows) {
      if (pick < share) return (from + (pick / share) * (to - from)) * 60;
      pick -= share;
    }
    return windows.at(-1)![1] * 60;
  };
  const around = (hour: number, spreadH: number) => (hour + (random() - 0.5) * 2 * spreadH) * 60;
  const need = dailyNeed(household, kind);
  const draws: Draw[] = [];
  for (let i = 0; i < need.glasses; i += 1)
    draws.push({ minute: sometime(), litres: glassL, kind: 'glass' });
  for (let left = need.hotDrinks; left > 0; left -= 2)
    draws.push({ minute: sometime(), litres: cupL * Math.min(left, 2), kind: 'hot-drink' });
  const mealHours = kind.weekend ? [10, 13.2, 19] : [7, 18.4, 12.4];
  for (let i = 0; i < need.pots; i += 1) {
    draws.push({ minute: around(mealHours[i % 3]!, 0.6), litres: household.potL, kind: 'pot' });
  }
  if (household.pets > 0)
    draws.push({ minute: around(7.4, 0.4), litres: household.pets * petL, kind: 'pet' });
  if (household.plantsL > 0)
    draws.push({ minute: around(9, 1.5), litres: household.plantsL, kind: 'plants' });
  return draws.sort((a, b) => a.minute - b.minute);
}

/** How far a habit wanders from day to day, min either way. Default. */
const wanderMin = 20;

/**
 * A day like one that a person drew up: every draw a little earlier or later; guests bring as many draws again, half an hour apart
 * from those of the household.
 */
export function drawsAround(day: readonly Draw[], { guests }: DayKind, random: Random): Draw[] {
  const moved = (draw: Draw, byMin: number): Draw => {
    const minute = draw.minute + byMin + (random() - 0.5) * 2 * wanderMin;
    return { ...draw, minute: Math.min(Math.max(minute, 0), 1439) };
  };
  const own = day.map((draw) => moved(draw, 0));
  return [...own, ...(guests ? day.map((draw) => moved(draw, 30)) : [])].sort(
    (a, b) => a.minute - b.minute,
  );
}

/** Water of a day's draws, L. */
export const litresOf = (draws: readonly Draw[]): number =>
  draws.reduce((sum, { litres }) => sum + litres, 0);

/**
 * A stream of numbers that a seed fixes (mulberry32): the same household gives the same sampled days on every machine.
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
