/** A drawing as an address that a browser shows and saves. */
export const svgAddress = (svg: string): string =>
  `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;

/** A drawing that was made as a file of its own, in its own size. */
export const SvgPicture = ({ svg, label }: { svg: string; label: string }) => (
  <img
    src={svgAddress(svg)}
    alt={label}
    style={{ display: 'block', background: 'white', maxWidth: 'none' }}
  />
);
