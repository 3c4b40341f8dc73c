/** Why something went wrong, for people: never empty, and ending without a full stop. */
export function reasonOf(error: unknown): string {
  const { name, message } = error instanceof Error ? error : { name: '', message: String(error) };
  return (message.trim() || name.trim() || 'the browser gave no reason').replace(/\.+$/, '');
}
