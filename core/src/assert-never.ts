/** Closes a union: a kind that is added and not handled fails to compile, and throws if it comes from outside the types. */
export function assertNever(value: never): never {
  throw new Error(`Not handled: ${JSON.stringify(value)}`);
}
