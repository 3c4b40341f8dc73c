export {
  ALLOWED_ELEMENTS,
  ALLOWED_STYLE,
  isAllowedAttribute,
  isHarmlessValue,
  LOCAL_REFERENCE,
  PRESENTATION_ATTRIBUTES,
  TEXT_ELEMENTS,
} from './allowlist.ts';
export { readArtMarkup, writeArtElement, type ArtElement } from './markup.ts';
export { placedArt } from './placed.ts';
