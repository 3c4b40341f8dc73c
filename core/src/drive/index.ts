export { advanced, happened, scrollStops, timeOfScroll, undriven, type Driven, type DriveEvent } from './drive.ts';
