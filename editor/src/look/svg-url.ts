import { wellFormed } from '@pace-line/core';

/** SVG text as an address of an image; half characters, which no address can hold, become the sign for an unknown one. */
export const svgUrl = (markup: string): string => `data:image/svg+xml,${encodeURIComponent(wellFormed(markup))}`;
