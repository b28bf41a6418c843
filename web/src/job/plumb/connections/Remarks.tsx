/** What is to be minded, a line each. */
export const Remarks = ({ lines }: { lines: readonly string[] }) => (
  <ul style={{ margin: '8px 0 0', paddingLeft: 20 }}>
    {lines.map((line) => (
      <li key={line}>{line}</li>
    ))}
  </ul>
);
