/** What each package may not import. */
export const forbiddenImports: Record<string, string[]>;
declare const config: object[];
export default config;
