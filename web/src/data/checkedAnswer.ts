/** By what page and server know that they were built of the same contract; undefined where nothing was built. */
export const contractMark = import.meta.env.CONTRACT_MARK;

/** Of whose contract an answer is, by its headers. */
export const markOf = (headers: Headers): string | null => headers.get('Katharos-Contract');

/**
 * An answer of the server that is as the contract says, or none: throws where it is not. A server that was built of this page's own
 * contract is held to it when it is compiled and tested; the answers of any other are checked, and only they wait for the schemas.
 */
export async function checkedAnswer(
  { method, address, mark }: { method: string; address: string; mark: string | null },
  body: unknown,
  mine = contractMark,
): Promise<unknown> {
  if (mine !== undefined && mark === mine) return body;
  const { answerSchema } = await import('./answerSchemas.ts');
  const schema = answerSchema(method, address.split('?')[0]!);
  return schema ? schema.parse(body) : body;
}
