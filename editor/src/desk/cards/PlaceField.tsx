import { useCallback, useLayoutEffect, useRef } from 'react';
import { distanceOfPlace, pathOfGuide, placeFromText, textOfPlace, type Guide, type Place } from '@pace-line/core';
import { NumberField, PX, type Live } from '../../fields/index.ts';

interface PlaceFieldProps {
  readonly label: string;
  readonly guide: Guide;
  readonly place: Place;
  readonly live?: Live<number>;
  /** A distance, px along the guide, or a place that was written in words. */
  readonly onCommit: (place: number | Place) => void;
}

/** A place on a guide: px along it, sums, a share, laps or the name of a node. What is written as a share stays one. */
export function PlaceField({ label, guide, place, live, onCommit }: PlaceFieldProps) {
  const path = pathOfGuide(guide);
  const latest = useRef(onCommit);
  useLayoutEffect(() => {
    latest.current = onCommit;
  });
  const words = useCallback(
    (text: string, near: number): boolean => {
      const found = placeFromText(guide, pathOfGuide(guide), text, near);
      if (found) latest.current(found);
      return found !== undefined;
    },
    [guide],
  );
  return (
    <NumberField
      label={label}
      value={distanceOfPlace(guide, path, place)}
      shown={place.by === 'share' ? textOfPlace(guide, path, place) : undefined}
      words={words}
      {...(live && { live })}
      unit="px"
      units={guide.closed ? { ...PX, lap: path.length, laps: path.length } : PX}
      hint="Enter px along the guide, a share such as 20 %, or the name of a node"
      digits={1}
      onCommit={onCommit}
    />
  );
}
