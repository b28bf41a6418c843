import type { HouseholdCard as Card } from '@katharos/papers';
import { Paper } from './Paper.tsx';
import styles from './HouseholdCard.module.css';

/** The household's card as it hangs on the kitchen door. */
export function HouseholdCard({ card }: { card: Card }) {
  const [first, ...others] = card.rules;
  return (
    <Paper name={card.title} firm={card.firm} title={card.made} className={styles.card}>
      <p>{card.customer}</p>
      <h1>{card.title}</h1>
      <p className={styles.first}>{first}</p>
      {card.steps.length > 0 && (
        <ol className={styles.steps}>
          {card.steps.map(({ when, title, what, caution }) => (
            <li key={`${when} ${title}`}>
              <h2>
                <span className={styles.when}>{when}</span> {title}
              </h2>
              <p>{what}</p>
              {caution && <p className="quiet">{caution}</p>}
            </li>
          ))}
        </ol>
      )}
      {others.map((rule) => (
        <p key={rule}>{rule}</p>
      ))}
      <p className={styles.call}>Call: {card.call}</p>
    </Paper>
  );
}
