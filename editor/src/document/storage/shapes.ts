import type { DBSchema, IDBPDatabase, IDBPTransaction, StoreNames } from 'idb';
import type { Selection } from '../selection.ts';
import type { Mark } from './ageing.ts';
import type { Change } from './change.ts';
import type { VersionCard } from './thinning.ts';

/** A scene as it is stored, with the number of changes that are in it. */
export interface SceneRecord {
  readonly count: number;
  readonly body: unknown;
}

/** What is told of a scene without reading it. */
export interface CardRecord {
  readonly name: string;
  /** ms since 1970, by the clock of that moment. */
  readonly changed: number;
  /** Grows with each change of any scene: the order, whatever the clock said. */
  readonly order: number;
  /** File name of the sample that it was opened from, while nothing in it has been changed. */
  readonly sample: string | null;
  /** The pixels that its record shows, so that collecting need not read the record. */
  readonly assets: readonly string[];
  /** Since when it has been deleted; null while it is on the Shelf. */
  readonly deleted: Mark | null;
}

/** A step of undo: what is to be changed of the state that is nearer to the present. Under `head`: the number of the change after which these are the steps. */
export interface UndoStep {
  readonly label: string;
  readonly change: Change;
  readonly selection: Selection | null;
  readonly count: number;
  /** The pixels that are shown once it is taken. */
  readonly assets: readonly string[];
}

/** All that is kept of scenes, in one database, so that one transaction changes what belongs together. */
export interface Stores extends DBSchema {
  /** Bodies by scene, without pixels. */
  scenes: { key: string; value: SceneRecord };
  /** What the Shelf shows of a scene without reading it. */
  cards: { key: string; value: CardRecord };
  /** Its moving picture. */
  pictures: { key: string; value: string };
  /** Pixels as base64 by their SHA-256: written once, however many scenes show them. */
  assets: { key: string; value: string };
  /** Since when nothing has shown pixels. */
  unused: { key: string; value: Mark };
  /** Earlier states of scenes, and what is told of each without reading it, by the same keys. */
  versions: { key: string; value: unknown };
  'version-cards': { key: string; value: VersionCard; indexes: { scene: string; assets: string } };
  /** Which tab may change a scene: the last that has claimed it. */
  writers: { key: string; value: string };
  /** Changes that are not in a scene's record yet, by scene, writer and number. */
  edits: { key: [string, string, number]; value: Change };
  /** Steps that can be undone or done again, by scene, writer, direction and place in their row. */
  undo: { key: [string, string, UndoSide, number]; value: UndoStep; indexes: { assets: string } };
  /** Numbers that only grow: what happened after what, whatever the clock says. */
  counters: { key: string; value: number };
}

export type UndoSide = 'past' | 'future' | 'head';
export type Store = StoreNames<Stores>;
export type Reading = IDBPTransaction<Stores, Store[], IDBTransactionMode>;
export type Writing = IDBPTransaction<Stores, Store[], 'readwrite'>;
export type Database = IDBPDatabase<Stores>;
