// Written by `npm run page-scripts` from the types that core gives each module; a test asks that it is what they say.

declare module '*.paceline.json?module' {
  /** What code calls the riders. */
  export type RiderCode = string;
  /** Their names. */
  export type RiderName = string;
  /** Their marks: what code calls a rider, and the number of the mark from 1. */
  export type MarkName = `${RiderCode} ${number}`;

  /** Where a rider is: canvas px, degrees clockwise, factors, share. */
  export interface Sample {
    x: number;
    y: number;
    angle: number;
    skew: number;
    scaleX: number;
    scaleY: number;
    opacity: number;
  }

  /** What a page does that drives it. */
  export type DriverName = 'time' | 'over' | 'click' | 'enter' | 'scroll';

  /** Where it is and how it runs, to go on from. */
  export interface MountState {
    readonly rules: unknown;
    readonly state: unknown;
  }

  /** What holds an element, as components have it. */
  export interface Held {
    readonly current: Element | null;
  }

  /** How the way is laid between two elements, and what becomes of the art on it. */
  export interface Fit {
    from: Element | Held;
    to: Element | Held;
    /** The points of the canvas, px, that lie on their middles; absent: where the first moving rider begins, and where its way leads. */
    ends?: readonly [readonly [number, number], readonly [number, number]];
    /** true: all art stays as it is turned on the canvas; false: all turns with the way. Absent: what is level stays so, what turns along its guide turns with the way. */
    upright?: boolean;
    /** 'own' (absent): art is as large as on the canvas; 'scaled': as the way is scaled; 'elements': it grows from the one element's box to the other's. */
    size?: 'own' | 'scaled' | 'elements';
  }

  export interface MountOptions {
    /** What drives it; 'none': only what is told moves it. Absent: as it was made. */
    driver?: DriverName | readonly DriverName[] | 'none';
    /** What a driver's second event does: 'back', 'stop', 'finish', 'restart', 'again'; for several drivers a list. */
    then?: string | readonly string[];
    /** Whether what enters does so before the loop, where time or coming into the window drives it. Absent: it does. */
    leadIn?: boolean;
    /** How fast it runs; absent: 1. */
    rate?: number;
    /** What another mount gave: it goes on from there. */
    state?: MountState;
    /** The element that drives it, where that is another than the drawing. */
    on?: Element | Held;
    /** Lays the way between the middles of two elements of the page. */
    fit?: Fit;
    className?: string;
    /** true (absent, where it is not laid between elements): it starts when it first comes into the window, and stands still while it is out of it. */
    lazy?: boolean;
    /** An element of the page that was built by `picture` already, as on a server: it is set in motion where it is, and stays when this is destroyed. */
    svg?: SVGSVGElement;
  }

  /** A mark that a rider has reached: what code calls the rider, the mark's number from 1, and its time in the loop, s. */
  export interface MarkReached {
    readonly rider: RiderCode;
    readonly mark: number;
    readonly time: number;
  }

  export interface Mounted {
    readonly element: SVGSVGElement;
    /** s of the loop. */
    readonly length: number;
    /** The time in the loop, s, that is shown; below 0 in the lead-in. */
    readonly time: number;
    /** How fast it runs; 1: as it was made. */
    rate: number;
    /** Told in the frame in which it happens: it starts to run; a loop is over and the next one begins; it has come to its end, or back to its start. What comes back is called to listen no more. */
    on(event: 'start' | 'loop' | 'end', listener: () => void): () => void;
    /** Told in the frame in which a rider reaches a mark as it runs, forward or back. */
    on(event: 'mark', listener: (mark: MarkReached) => void): () => void;
    play(): void;
    reverse(): void;
    pause(): void;
    /** Shows a time, s (below 0 one of the lead-in, where there is one), or the time at which a rider first reaches a mark: `'ferry-a 2'`; an error where there is none of that name. */
    seek(to: number | MarkName): void;
    /** Shows a share of the loop, 0 to 1. */
    setProgress(share: number): void;
    /** Sets how fast it runs; 1: as it was made. */
    setRate(rate: number): void;
    state(): MountState;
    /** Lays it anew where the elements that it lies between have moved by themselves. */
    refit(): void;
    destroy(): void;
  }

  /** Puts the drawing into an element and sets it in motion. */
  export function mount(element: Element, options?: MountOptions): Mounted;

  /**
   * Builds the drawing as it stands at first, from its innermost elements outward, by a function that makes one: on a server, or for a library of components. Texts among children are
   * plain. `tail` goes into every id: another one for each drawing of a page.
   */
  export function picture<T>(
    make: (name: string, attributes: Record<string, string>, children: (T | string)[]) => T,
    tail?: string,
  ): T;

  /** Where every rider is at a share of the loop, by what code calls it; needs no page. */
  export function sample(progress: number): Record<RiderCode, Sample>;
  /** Where one rider is, by what code calls it or by its name, at a share of the loop (absent: its start); an error for any other. */
  export function sample(rider: RiderCode | RiderName, progress?: number): Sample;
}

declare module '*.paceline.json?react' {
  import type { CSSProperties, ForwardRefExoticComponent, RefAttributes } from 'react';
  import type { MarkReached, Mounted, MountOptions } from 'loop.paceline.json?module';

  export interface LoopProps extends Omit<MountOptions, 'className' | 'state' | 'svg'> {
    /** Share of the loop, 0 to 1: given, nothing else moves it. */
    progress?: number;
    /** Told in the frame in which it happens, as `on` of the module has it. */
    onStart?: () => void;
    onLoop?: () => void;
    onEnd?: () => void;
    onMark?: (mark: MarkReached) => void;
    className?: string;
    style?: CSSProperties;
  }

  export type LoopHandle = Pick<
    Mounted,
    'time' | 'play' | 'reverse' | 'pause' | 'seek' | 'setProgress' | 'setRate' | 'refit'
  >;

  export const Loop: ForwardRefExoticComponent<LoopProps & RefAttributes<LoopHandle>>;
  export default Loop;
  export { sample } from 'loop.paceline.json?module';
}

declare module '*.paceline.json?svg' {
  const value: string;
  export default value;
}

declare module '*.paceline.json?url' {
  const value: string;
  export default value;
}

declare module '*.paceline.json?css' {}

declare module '*.paceline.json?frames' {
  const value: import('@pace-line/vite').Frames;
  export default value;
}
