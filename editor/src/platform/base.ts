/** The folder of the address under which the application is served, with a slash at both ends: the server says it where that is not the root. */
export const BASE: string = document.querySelector<HTMLMetaElement>('meta[name="pace-line-base"]')?.content ?? '/';
