import type { ReactNode } from 'react';
import type { Scene } from '@pace-line/core';
import type { Way } from '../../../look/way-pictures.ts';
import type { Desk } from '../../desk.ts';

/** A behaviour: what a card can have beyond what everyone needs. Its rows show once it is there, or once it was asked for. */
export interface CardGroup<On> {
  readonly id: string;
  readonly title: string;
  /** What it does, in one sentence. */
  readonly about: string;
  /** What else people call it. */
  readonly also: string;
  /** Its small moving picture. */
  readonly picture: readonly Way[];
  /** Whether it applies; absent: always. */
  readonly fits?: (on: On, scene: Scene) => boolean;
  /** Whether it is there; absent: it is a tool that leaves nothing behind, and is there while it is open. */
  readonly has?: (on: On, scene: Scene) => boolean;
  /** Makes it be there with what is usual; absent: its rows do that. */
  readonly add?: (desk: Desk, on: On) => void;
  /** Takes it off; absent where `has` is given: it belongs to the thing itself and stays. */
  readonly remove?: (desk: Desk, on: On) => void;
  readonly Rows: (props: { readonly on: On }) => ReactNode;
}
