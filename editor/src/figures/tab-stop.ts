/** Of parts that are stepped through by key, Tab comes to one: the first that is chosen, or else the first of all. */
export const isTabStop = (chosen: readonly string[], id: string, index: number): boolean =>
  chosen.length > 0 ? chosen[0] === id : index === 0;
