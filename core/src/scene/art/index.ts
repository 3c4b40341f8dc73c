export {
  ALLOWED_ELEMENTS,
  ALLOWED_STYLE,
  isAllowedAttribute,
  isHarmlessValue,
  LOCAL_REFERENCE,
  MOST_ELEMENTS,
  PRESENTATION_ATTRIBUTES,
  TEXT_ELEMENTS,
} from './allowlist.ts';
export { readArtMarkup, writeArtElement, type ArtElement, type ArtReading } from './markup.ts';
export { placedArt } from './placed.ts';
