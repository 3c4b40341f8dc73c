export { driveSpec, runsByTime, scrollOf, scrollStops } from './drive.ts';
export {
  advanced,
  happened,
  shownTime,
  timeOfPassage,
  undriven,
  type DriveEvent,
  type Driven,
  type DriveSpec,
} from './machine.ts';
