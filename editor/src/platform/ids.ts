/** A short random id for a scene in this browser. */
export function newSceneId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(8));
  return [...bytes].map((byte) => (byte % 36).toString(36)).join('');
}
