/** All that is kept of a scene under keys that begin with its id. */
export const ofScene = (id: string): IDBKeyRange => IDBKeyRange.bound([id], [id, []]);
