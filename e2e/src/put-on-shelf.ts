/**
 * Puts a design on the shelf of a running server, whatever is found in it.
 *
 * @param address of the server, with its closing slash
 * @param design a design document
 * @returns its id
 * @throws Error with the server's words when it is refused
 */
export async function putOnShelf(address: string, design: unknown): Promise<string> {
  const answer = await fetch(`${address}api/import?accept=doubts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(design),
  });
  if (!answer.ok) throw new Error(`${answer.status}: ${await answer.text()}`);
  return ((await answer.json()) as { id: string }).id;
}
