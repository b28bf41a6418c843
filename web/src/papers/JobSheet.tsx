import { cabinetSvg } from '@katharos/papers';
import {
  cautionWords,
  codesCaveat,
  colourWords,
  placeName,
  type Reader,
  readerOf,
  routeWords,
  stepParts,
  toolNames,
  tubeEndNames,
  tubeFunctionNames,
  workWords,
} from '@katharos/words';
import { type CheckedLine, checkVan, type Plumbing, type Van, toolsOf } from '@katharos/core';
import type { Job, Session } from '@katharos/contract';
import { Paper } from './Paper.tsx';
import { SvgButton, SvgPicture } from '../ui/SvgPicture.tsx';
import { HolePlan } from './HolePlan.tsx';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import styles from './Sheet.module.css';

interface Props {
  job: Job;
  firm: Session['firm'];
  plumbing: Plumbing;
  /** What the van holds; null while it is not known. */
  van: Van | null;
}

/** All that one person needs, kneeling: order of work, tubes, parts, tools, labels, and the holes at one to one. */
export function JobSheet({ job, firm, plumbing, van }: Props) {
  const { customer, plumb } = job.document;
  const { steps, tubes, drain, parts } = plumbing;
  const cabinet = cabinetSvg(plumbing);
  const reader = readerOf(firm.settings);
  return (
    <Paper
      name="Job sheet"
      firm={firm.name}
      title={`Job sheet, no. ${job.number}`}
      className={styles.sheet}
    >
      <h1>{[customer.name, customer.address].filter(Boolean).join(', ')}</h1>
      {customer.note && <p>{customer.note}</p>}
      <p>
        <strong>{codesCaveat}</strong>
      </p>
      {drain.deviation && (
        <p>
          <strong>Deviation:</strong> the drain is not on the sink side of the trap.{' '}
          {plumb.drain?.reason || 'No reason is recorded.'}
        </p>
      )}
      <h2>Order of work</h2>
      <ol className={styles.steps}>
        {steps.map((step) => {
          const words = workWords(step, reader);
          const record = plumb.done?.[step.id];
          return (
            <li key={step.id}>
              <span className={styles.box} aria-hidden>
                {record?.mark === step.mark ? '✓' : ''}
              </span>
              <div>
                <strong>{words.title}.</strong> {words.instruction}
                {step.cautions.map((caution) => (
                  <em key={caution}> {cautionWords[caution]}</em>
                ))}
                {step.parts.length > 0 && <div>Takes: {stepParts(step, parts).join(', ')}</div>}
                <div>Proof: {words.proof}</div>
                {plumb.notes?.[step.id] && <div>Note: {plumb.notes[step.id]}</div>}
              </div>
            </li>
          );
        })}
      </ol>
      {cabinet && (
        <section className={styles.drawing}>
          <h2>Where it stands, one to ten</h2>
          <SvgPicture svg={cabinet} label="Cabinet from the door and from above, one to ten" />
          <SvgButton svg={cabinet} file={`cabinet-${job.number}.svg`}>
            Drawing as SVG
          </SvgButton>
        </section>
      )}
      <h2>Tubes</h2>
      <table>
        <thead>
          <tr>
            {['No.', 'From – to', 'Label', 'Tube', 'Colour', 'Cut', 'Ends', 'Clips'].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tubes.map((tube) => (
            <tr key={tube.id}>
              <td>{tube.label}</td>
              <td>
                {placeName(tube.from)} – {placeName(tube.to)}
              </td>
              <td>{tubeFunctionNames[tube.function]}</td>
              <td>{tube.size}</td>
              <td>{tube.colour ? colourWords[tube.colour] : '–'}</td>
              <td>
                {reader.cut(tube.cutM)}
                {tube.known === 'usual' ? `, ${routeWords.usual}` : ''}
              </td>
              <td>{[...new Set(tube.ends)].map((end) => tubeEndNames[end]).join('; ')}</td>
              <td>{tube.lockClips}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Parts</h2>
      <Parts
        lines={van ? checkVan(parts, van, job.id).lines : null}
        plumbing={plumbing}
        reader={reader}
      />
      <h2>Tools</h2>
      <p>
        {toolsOf(steps)
          .map((tool) => toolNames[tool])
          .join(', ')}
        .
      </p>
      <Labels job={job} plumbing={plumbing} />
      <HolePlan holes={plumbing.holes} />
    </Paper>
  );
}

/** What goes into the van, and what of it has to be bought; without the van's count the list alone. */
function Parts({
  lines,
  plumbing,
  reader,
}: {
  lines: readonly CheckedLine[] | null;
  plumbing: Plumbing;
  reader: Reader;
}) {
  return (
    <table aria-label="Parts">
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">Quantity</th>
          {lines && <th scope="col">To buy</th>}
        </tr>
      </thead>
      <tbody>
        {plumbing.parts.map((line, i) => (
          <tr key={line.key}>
            <td>{line.name}</td>
            <td>{reader.pieces(line.quantity, line.unit)}</td>
            {lines && (
              <td>
                {lines[i]!.missing > 0 ? reader.pieces(lines[i]!.missing, line.unit) : 'in the van'}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Two labels for every tube, with a code that opens the job. */
function Labels({ job, plumbing }: { job: Job; plumbing: Plumbing }) {
  const [code, setCode] = useState<string | null>(null);
  useEffect(() => {
    void QRCode.toString(`${window.location.origin}/jobs/${job.id}/plumb`, {
      type: 'svg',
      margin: 0,
      // A label is read from near by and seldom dirty: fewer, larger squares scan better from a tube.
      errorCorrectionLevel: 'L',
    }).then((svg) => setCode(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`));
  }, [job.id]);
  return (
    <section className={styles.page}>
      <h2>Labels, one for each end</h2>
      <div className={styles.labels}>
        {plumbing.tubes.flatMap((tube) =>
          [tube.from, tube.to].map((end) => (
            <div key={`${tube.id}-${end}`} className={styles.label}>
              {code && <img src={code} alt="" width={76} height={76} />}
              <span>
                <strong>
                  {tube.label} {tubeFunctionNames[tube.function]}
                </strong>
                <br />
                {placeName(tube.from)} – {placeName(tube.to)}
                <br />
                at: {placeName(end)}
              </span>
            </div>
          )),
        )}
      </div>
    </section>
  );
}
