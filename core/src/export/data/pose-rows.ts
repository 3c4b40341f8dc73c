import type { Poses } from '../../motion/index.ts';
import { formatNumber } from '../text.ts';

/** The columns in which poses are told: s, id, px, px, degrees, factors, degrees, share, px along the guide. */
const POSE_COLUMNS = ['time', 'rider', 'x', 'y', 'angle', 'scaleX', 'scaleY', 'skew', 'opacity', 'distance'] as const;

/** The columns for a scene: with the number of the pose where some of its art has poses. */
export const poseColumns = (hasPoses: boolean): readonly string[] =>
  hasPoses ? [...POSE_COLUMNS, 'pose'] : POSE_COLUMNS;

/** What the row of the view is called, where a scene has a camera: its place, turn and size. */
export const CAMERA_ROW = 'camera';

export type PoseRow = readonly (string | number)[];

const DEGREES = 180 / Math.PI;

/** One rider's pose as a row of so many of these columns. */
export function poseRow(columns: number, time: number, rider: string, poses: Poses, at: number): PoseRow {
  const all = [
    time,
    rider,
    poses.of(at, 'x'),
    poses.of(at, 'y'),
    poses.of(at, 'angle') * DEGREES,
    poses.of(at, 'scaleX'),
    poses.of(at, 'scaleY'),
    poses.of(at, 'skew') * DEGREES,
    poses.of(at, 'opacity'),
    poses.of(at, 'distance'),
    poses.of(at, 'pose'),
  ];
  return all.slice(0, columns);
}

/** A number with six decimals, always. */
export const sixDecimals = (value: number): string => Number(formatNumber(value, 6)).toFixed(6);

/** What a spreadsheet would take for a formula, by how it begins; quotes do not keep it from that. */
const FORMULA = /^[=+\-@\t\r＝＋－＠]/;

/** A cell of RFC 4180: quoted where it has to be. A text that a spreadsheet would take for a formula has an apostrophe before it. */
const csvCell = (value: string | number): string => {
  if (typeof value === 'number') return sixDecimals(value);
  const text = FORMULA.test(value) ? `'${value}` : value;
  return text !== value || /[,"\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text;
};

/** A row as a line of CSV (RFC 4180), with its end. */
export const csvLine = (row: PoseRow): string => `${row.map(csvCell).join(',')}\n`;

/** A row as an object of JSON, numbers with at most six decimals. */
export const jsonRow = (columns: readonly string[], row: PoseRow): string =>
  JSON.stringify(
    Object.fromEntries(
      columns.map((key, i) => {
        const value = row[i] ?? 0;
        return [key, typeof value === 'number' ? Number(sixDecimals(value)) : value];
      }),
    ),
  );
