import { dequal } from 'dequal/lite';
import { riderById, setRider, type Key, type Rider, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import type { RowName } from '../../words/rows.ts';
import { change } from '../actions/change.ts';
import type { Desk } from '../desk.ts';

/** What keyframes make of a value: their ids tell nothing. */
const said = (keys: readonly Key[]): readonly unknown[] => keys.map(({ time, value }) => [time, value]);

/** What a row of a rider's cards says of it: several that are selected may differ there. Rows that are not named show, and change, the first alone. */
const SAID: Partial<Record<RowName, (rider: Rider) => unknown>> = {
  'rider.art': ({ art }) => art,
  'rider.guide': ({ guide }) => guide,
  'rider.at': ({ at }) => at,
  'rider.lift': ({ lift, keys }) => [lift, said(keys.lift)],
  'rider.lead': ({ lead, keys }) => [lead, said(keys.lead)],
  'rider.scale': ({ scale, keys }) => [scale.map(Math.abs), said(keys.scale)],
  'rider.opacity': ({ opacity, keys }) => [opacity, said(keys.opacity)],
  'rider.output': ({ output }) => output,
  'rider.pivot': ({ pivot, art }) => pivot ?? art,
  'rider.poses': ({ poses }) => poses.by,
  'rider.pose': ({ poses }) => poses.first,
  'rider.poses.rate': ({ poses }) => poses.rate,
  'rider.poses.mark': ({ poses }) => poses.mark,
  'rider.poses.around': ({ poses }) => poses.around,
  'rider.stride': ({ poses }) => poses.stride,
  'rider.roll.radius': ({ roll, art }) => roll && (roll.radius ?? art),
  'rider.roll.guide': ({ roll }) => roll?.guide,
  'rider.roll.side': ({ roll }) => roll?.side,
  'rider.squash.by': ({ squash }) => squash?.by,
  'rider.squash.key': ({ keys }) => said(keys.squash),
  'rider.squash.amount': ({ squash }) => squash?.strength,
  'rider.squash.limit': ({ squash }) => squash?.limit,
  'rider.squash.axis': ({ squash }) => squash?.axis,
  'rider.squash.angle': ({ squash, keys }) => [squash?.angle, said(keys.axis)],
  'rider.squash.about': ({ squash }) => squash?.about,
  'rider.raise': ({ raise }) => raise,
  'rider.liftBy': ({ liftBy }) => liftBy,
  'rider.rounding': ({ rounding }) => rounding,
  'rider.shift': ({ shift }) => shift,
  'rider.parallax': ({ parallax }) => parallax,
  'heading.mode': ({ heading }) => heading.mode,
  'heading.offset': ({ heading, keys }) => [heading.offset, said(keys.turn)],
  'heading.left': ({ heading }) => heading.left,
  'heading.contacts': ({ heading }) => heading.base,
  'heading.target': ({ heading }) => heading.target,
  'heading.smooth': ({ heading }) => heading.smooth,
  'heading.reverse': ({ heading }) => heading.reverse,
  'heading.limit': ({ heading }) => heading.limit,
  'pace.delay': ({ pace }) => pace.delay,
  'pace.repeat': ({ pace }) => pace.repeat,
  'pace.rounds': ({ pace }) => pace.times,
  'pace.on': ({ pace }) => pace.on,
  'pace.first': ({ pace }) => [pace.only, pace.hidden],
  'pace.leadin': ({ pace }) => pace.leadIn,
};

/** The ids of the riders that a card of one is for: all that are selected, where it is the first of them. */
export function useChosen({ id }: Rider): readonly string[] {
  const selected = useDocumentState((state) => state.selection.riders);
  return selected[0] === id && selected.length > 1 ? selected : [id];
}

/** Whether the selected riders differ in what a row says. */
export function useIsMixed(row: RowName): boolean {
  return useDocumentState(({ shown, selection: { riders } }) => {
    const of = SAID[row];
    if (!of || riders.length < 2) return false;
    const [first, ...others] = riders.flatMap((id) => riderById(shown, id) ?? []);
    return first !== undefined && others.some((one) => !dequal(of(one), of(first)));
  });
}

/** Changes each of several riders as one step of undo. */
export const changeEach = (
  desk: Desk,
  label: string,
  ids: readonly string[],
  edit: (scene: Scene, rider: Rider) => Scene,
): void =>
  change(desk, label, (scene) =>
    ids.reduce((made, id) => {
      const rider = riderById(made, id);
      return rider ? edit(made, rider) : made;
    }, scene),
  );

/** Behaviours of a rider that are made of several values. */
export type Behaviour = 'roll' | 'squash' | 'poses';

/** A rider with some values of a behaviour that it has; one without it stays as it is. */
export const withinBehaviour = <K extends Behaviour>(
  scene: Scene,
  rider: Rider,
  of: K,
  next: Partial<NonNullable<Rider[K]>>,
): Scene =>
  rider[of] === null ? scene : setRider(scene, { id: rider.id, patch: { [of]: { ...rider[of], ...next } } });
