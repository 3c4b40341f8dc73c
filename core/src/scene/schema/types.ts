import type { z } from '../../zod.ts';
import type { sceneShape } from './scene.ts';

type Immutable<T> = T extends (infer U)[]
  ? readonly Immutable<U>[]
  : T extends object
    ? { readonly [K in keyof T]: Immutable<T[K]> }
    : T;

export type Scene = Immutable<z.infer<typeof sceneShape>>;
export type Art = Scene['art'][number];
export type SvgArt = Extract<Art, { kind: 'svg' }>;
export type StripArt = Extract<Art, { kind: 'strip' }>;
/** One picture of a strip. */
export type StripPose = StripArt['poses'][number];
export type ImageArt = Extract<Art, { kind: 'image' }>;
export type Guide = Scene['guides'][number];
export type Node = Guide['nodes'][number];
export type Join = Node['join'];
export type Rider = Scene['riders'][number];
export type Pace = Rider['pace'];
export type Mark = Pace['marks'][number];
export type Place = Mark['place'];
export type Heading = Rider['heading'];
export type Keys = Rider['keys'];
export type KeyChannel = keyof Keys;
export type Key<C extends KeyChannel = KeyChannel> = Keys[C][number];
export type Entrance = NonNullable<Rider['entrance']>;
export type Roll = NonNullable<Rider['roll']>;
export type Squash = NonNullable<Rider['squash']>;
export type Carrier = NonNullable<Rider['carrier']>;
export type Strung = NonNullable<Rider['strung']>;
export type RiderPoses = Rider['poses'];
export type Behind = Rider['behind'][number];
export type GuideDepth = NonNullable<Guide['depth']>;
export type Clock = Scene['clock'];
export type Driver = Scene['driver'][number];
export type GuideLink = NonNullable<Guide['link']>;
export type GuideStroke = NonNullable<Guide['stroke']>;
export type OutputSet = Scene['sets'][number];
export type Output = OutputSet['outputs'][number];
export type Meant = Scene['checks']['meant'][number];

/** What a rider has to stay within, or out of. */
export type Bound = Scene['checks']['bounds'][number];

/** An area of the canvas, as a bound names it. */
export type Area = Bound['area'];
export type Tracing = Scene['tracing'][number];
