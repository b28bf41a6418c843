/** A value with its share. */
export interface WeighedValue {
  value: number;
  weight: number;
}

/** Laws that weigh less than this tell nothing of a tenth. */
const weightless = 1e-6;

/** Values in order, without what weighs nothing. */
export const sorted = (values: WeighedValue[]): WeighedValue[] =>
  values.filter(({ weight }) => weight > weightless).sort((a, b) => a.value - b.value);

/** The tenth, the middle and the ninetieth of a hundred. */
export const interval = (values: readonly WeighedValue[]): [number, number, number] => [
  quantile(values, 0.1),
  quantile(values, 0.5),
  quantile(values, 0.9),
];

/** Value below which a share of the weights lies, going straight between the middles of two. */
function quantile(values: readonly WeighedValue[], share: number): number {
  const whole = values.reduce((sum, { weight }) => sum + weight, 0);
  let below = 0;
  let last: { value: number; at: number } | null = null;
  for (const { value, weight } of values) {
    const at = (below + weight / 2) / whole;
    if (at >= share || below / whole >= share || (below + weight) / whole >= share) {
      if (!last || !Number.isFinite(value) || at <= share) return value;
      const part = (share - last.at) / (at - last.at);
      return last.value + Math.max(part, 0) * (value - last.value);
    }
    below += weight;
    last = { value, at };
  }
  return values.at(-1)?.value ?? Infinity;
}
