/**
 * A stored file, as whoever reads files wants it.
 *
 * @throws {Error} if it is not there, or the server does not answer
 */
export async function storedFile(sha256: string, name: string): Promise<File> {
  const answer = await fetch(`/api/blobs/${sha256}`);
  if (!answer.ok) throw new Error(`The file is not there (${answer.status}).`);
  return new File([await answer.blob()], name);
}
