/** One element of a verified art. */
export interface ArtElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly (ArtElement | string)[];
}
