import { useId } from 'react';
import styles from './Segments.module.css';

interface Props<V extends string> {
  /** What is chosen by it, for whoever does not see it. */
  label: string;
  /** None of them where nothing is chosen yet. */
  value: V | '';
  options: readonly { value: V; label: string }[];
  onChange: (value: V) => void;
  /** As wide as what it stands in. */
  wide?: boolean;
  /** Beside smaller things. */
  small?: boolean;
  className?: string | undefined;
}

/** One of a few, all in sight: the browser's own radio buttons in a row. Arrow keys go from one to the next. */
export function Segments<V extends string>({
  label,
  value,
  options,
  onChange,
  wide = false,
  small = false,
  className = '',
}: Props<V>) {
  const name = useId();
  return (
    <div
      role="radiogroup"
      aria-label={label}
      className={`${styles.row} ${className}`}
      data-wide={wide || undefined}
      data-small={small || undefined}
    >
      {options.map((option) => (
        <label key={option.value} className={styles.segment}>
          <input
            type="radio"
            name={name}
            className={styles.button}
            checked={option.value === value}
            onChange={() => onChange(option.value)}
          />
          {option.label}
        </label>
      ))}
    </div>
  );
}
