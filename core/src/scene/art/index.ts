export {
  ALLOWED_ELEMENTS,
  ALLOWED_STYLE,
  isAllowedAttribute,
  isHarmlessValue,
  LOCAL_REFERENCE,
  PRESENTATION_ATTRIBUTES,
  TEXT_ELEMENTS,
} from './allowlist.ts';
export type { ArtElement } from './element.ts';
export { readArtMarkup, writeArtElement } from './markup.ts';
export { artOfRider, ownArt } from './own.ts';
export { paintingOf, partIdsOf, pictureOf, pixelsOf, placedArt, posesOf, rootOf, type Picture } from './placed.ts';
export { urlsIn, withUrls } from './urls.ts';
