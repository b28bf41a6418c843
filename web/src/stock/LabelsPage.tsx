import type { Part } from '@katharos/core';
import { Anchor, Button, Checkbox, Text } from '@mantine/core';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { SvgPicture } from '../ui/SvgPicture.tsx';
import styles from './Labels.module.css';
import { labelAddress } from './partUnits.ts';
import { type Holdings, StockFrame } from './StockFrame.tsx';

/** Labels for shelves and boxes: a scanner counts by them, a telephone opens the part. */
export const LabelsPage = () => (
  <StockFrame
    title="Shelf labels"
    ways={
      <>
        <Anchor component={Link} to="/stock" underline="always">
          Vans and stores
        </Anchor>
        <Button size="md" onClick={() => window.print()}>
          Print
        </Button>
      </>
    }
  >
    {(holdings) => <Labels {...holdings} />}
  </StockFrame>
);

function Labels({ stock, parts }: Holdings) {
  const [all, setAll] = useState(false);
  const kept = new Set(
    stock.lines
      .filter(({ quantity, minimum }) => quantity > 0 || minimum > 0)
      .map(({ partId }) => partId),
  );
  const shown = parts.filter(({ id }) => all || kept.has(id));
  return (
    <>
      <Checkbox
        className="no-print"
        size="md"
        label="Of every part of the catalogue, not only of what is kept somewhere"
        checked={all}
        onChange={(event) => setAll(event.currentTarget.checked)}
      />
      {shown.length === 0 ? (
        <Text>Nothing is kept anywhere yet. Count what there is first.</Text>
      ) : (
        <ul className={styles.labels}>
          {shown.map((part) => (
            <Label key={part.id} part={part} />
          ))}
        </ul>
      )}
    </>
  );
}

function Label({ part }: { part: Part }) {
  const [code, setCode] = useState('');
  useEffect(() => {
    let isWanted = true;
    void QRCode.toString(labelAddress(part.id), { type: 'svg', margin: 1, width: 84 }).then(
      (svg) => {
        if (isWanted) setCode(svg);
      },
    );
    return () => {
      isWanted = false;
    };
  }, [part.id]);
  return (
    <li className={styles.label}>
      <SvgPicture svg={code} label={`Code of ${part.name}`} />
      <div>
        <strong>{part.name}</strong>
        <div>{part.id}</div>
      </div>
    </li>
  );
}
