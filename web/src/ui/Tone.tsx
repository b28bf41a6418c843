import type { ReactNode } from 'react';

export type ToneKind = 'good' | 'warn' | 'bad';

/** A short statement that stands out; the word at its head carries the meaning, the colour only repeats it. */
export function Tone({
  kind,
  head,
  children,
  role,
}: {
  kind: ToneKind;
  head: string;
  children?: ReactNode;
  role?: 'alert' | 'status';
}) {
  return (
    <div className={`tone ${kind}`} role={role}>
      <div>
        <strong>{head}</strong>
        {children && <div style={{ marginTop: 4 }}>{children}</div>}
      </div>
    </div>
  );
}
